<?php

declare(strict_types=1);

namespace ZigLane\Core\Potting;

use ZigLane\Core\Numerics\NormalDistribution;

/**
 * Sets of directions as intervals, and the share of a normal error that falls into one.
 *
 * @internal
 */
final class Intervals
{
    private function __construct() {}

    /**
     * @param list<array{float, float}> $intervals
     *
     * @return list<array{float, float}> ascending, none overlapping
     */
    public static function merged(array $intervals): array
    {
        usort($intervals, static fn(array $p, array $q): int => $p[0] <=> $q[0]);
        $merged = [];
        foreach ($intervals as [$low, $high]) {
            $last = \count($merged) - 1;
            if ($last >= 0 && $low <= $merged[$last][1]) {
                $merged[$last][1] = max($merged[$last][1], $high);
            } else {
                $merged[] = [$low, $high];
            }
        }

        return $merged;
    }

    /**
     * Share of a normal error that falls into an interval but into nothing blocked.
     *
     * @param array{float, float}       $within  the interval
     * @param float                     $mean    of the error; what is blocked stays where it is, roughly
     * @param float                     $sigma   its standard deviation
     * @param list<array{float, float}> $blocked
     */
    public static function share(array $within, float $mean, float $sigma, array $blocked): float
    {
        [$low, $high] = $within;
        $share = NormalDistribution::share(($high - $mean) / $sigma) - NormalDistribution::share(($low - $mean) / $sigma);
        foreach ($blocked as [$from, $to]) {
            $from = max($from, $low);
            $to = min($to, $high);
            if ($to > $from) {
                $share -= NormalDistribution::share(($to - $mean) / $sigma) - NormalDistribution::share(($from - $mean) / $sigma);
            }
        }

        return max(0.0, $share);
    }
}
