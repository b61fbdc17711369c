<?php

declare(strict_types=1);

namespace ZigLane\Core\Aiming;

/**
 * What an object ball is sent to, seen from where it lies.
 */
final readonly class Target
{
    /**
     * @param float $direction rad
     * @param float $distance  m
     */
    public function __construct(public float $direction, public float $distance) {}
}
