<?php

declare(strict_types=1);

namespace ZigLane\Core\Planning\Value;

/**
 * The shot that the state values promise most of, and where it was looked up.
 *
 * @internal
 */
final readonly class MapShot
{
    /**
     * @param float $chance of the pot, 0–1
     * @param int   $at     place in ContinuationValues::afterPot() of the cut below
     * @param float $part   of the step to the cut above, 0–1
     */
    public function __construct(public PotOption $option, public float $chance, public int $at, public float $part) {}
}
