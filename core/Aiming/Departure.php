<?php

declare(strict_types=1);

namespace ZigLane\Core\Aiming;

/**
 * How an object ball leaves the first contact of a shot.
 */
final readonly class Departure
{
    /**
     * @param float $miss      it passes the target by so much, m, right positive
     * @param float $pace      speed of a ball without top or back spin that would roll as it will, m/s
     * @param float $direction rad
     * @param float $cueX      place of the cue ball at the contact, m
     * @param float $cueY      m
     * @param float $side      surface speed of the side spin that it got, as a share of its speed
     */
    public function __construct(
        public float $miss,
        public float $pace,
        public float $direction,
        public float $cueX,
        public float $cueY,
        public float $side,
    ) {}
}
