<?php

declare(strict_types=1);

namespace ZigLane\Core\Drills;

/**
 * How a test of a drill goes.
 */
final readonly class TestForm
{
    /**
     * @param int  $tries   shots, or runs
     * @param int  $pass    points from which it is passed
     * @param int  $players 1, or 2 who play in turns
     * @param bool $whole   of a run only one that is complete counts, as one point
     */
    public function __construct(
        public Course $course = Course::Stations,
        public int $tries = 10,
        public int $pass = 0,
        public int $players = 1,
        public bool $whole = false,
    ) {}
}
