<?php

declare(strict_types=1);

namespace ZigLane\App\Work;

use ZigLane\Core\Parallel\Processes;

/**
 * Processors that plans may use.
 */
final class Processors
{
    private function __construct() {}

    /** All of this machine's, or as many as ZIG_LANE_PROCESSES says. */
    public static function forPlans(): int
    {
        $set = $_SERVER['ZIG_LANE_PROCESSES'] ?? null;

        return \is_string($set) && ctype_digit($set) && (int) $set > 0 ? (int) $set : Processes::processors();
    }
}
