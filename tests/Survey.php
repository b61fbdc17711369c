<?php

declare(strict_types=1);

namespace ZigLane\Tests;

/**
 * How many cases a slow test takes: few in the suite, all of them in `bin/zig-lane test survey`. The limits are the same for both.
 */
final class Survey
{
    private function __construct() {}

    public static function size(int $all, int $few): int
    {
        return false === getenv('ZIG_LANE_SURVEY') ? $few : $all;
    }
}
