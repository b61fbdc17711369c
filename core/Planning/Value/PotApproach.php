<?php

declare(strict_types=1);

namespace ZigLane\Core\Planning\Value;

/**
 * From where a pot is shot.
 *
 * @internal
 */
final readonly class PotApproach
{
    /**
     * @param int   $node     of the cue ball's grid, roughly where it lies
     * @param float $cut      rad, signed as in PotReading
     * @param float $distance to the contact, m
     */
    public function __construct(public int $node, public float $cut, public float $distance) {}
}
