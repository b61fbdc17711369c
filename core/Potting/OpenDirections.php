<?php

declare(strict_types=1);

namespace ZigLane\Core\Potting;

use ZigLane\Core\Numerics\HoldingIntervals;

/**
 * The intervals of directions (rad) in which something holds, by trying: in steps, every edge then bisected.
 *
 * @internal
 */
final class OpenDirections
{
    private const TRIES = 41;
    private const BISECTIONS = 5;

    private function __construct() {}

    /**
     * From the beginning.
     *
     * @param \Closure(float): bool $holds by direction
     * @param float                 $span  to either side of 0
     *
     * @return list<array{float, float}> ascending
     */
    public static function scanned(\Closure $holds, float $span): array
    {
        return HoldingIntervals::scanned(
            $holds,
            -$span,
            $span,
            self::TRIES - 1,
            static fn(float $inside, float $outside): float => self::edge($holds, $inside, $outside),
        );
    }

    /**
     * Near known ones; from the beginning where one of them has closed.
     *
     * @param \Closure(float): bool      $holds by direction
     * @param list<array{float, float}> $known
     * @param float                     $span  to either side of 0
     *
     * @return list<array{float, float}> ascending
     */
    public static function near(\Closure $holds, array $known, float $span): array
    {
        $step = self::step($span);
        $intervals = [];
        foreach ($known as $n => [$low, $high]) {
            $middle = ($low + $high) / 2;
            if (!$holds($middle)) {
                return self::scanned($holds, $span);
            }
            // Not past the middle of the gap to the neighbour.
            $least = 0 === $n ? -$span : ($known[$n - 1][1] + $low) / 2;
            $most = isset($known[$n + 1]) ? ($high + $known[$n + 1][0]) / 2 : $span;
            $intervals[] = [self::edgeFrom($holds, $low, $middle, -$step, $least), self::edgeFrom($holds, $high, $middle, $step, $most)];
        }

        return $intervals;
    }

    private static function step(float $span): float
    {
        return 2 * $span / (self::TRIES - 1);
    }

    /**
     * An edge from a known one near it: outward while it holds, else inward to the middle.
     *
     * @param \Closure(float): bool $holds by direction, rad
     */
    private static function edgeFrom(\Closure $holds, float $edge, float $middle, float $step, float $limit): float
    {
        $outward = static fn(float $at): bool => $step > 0 ? $at < $limit : $at > $limit;
        if ($holds($edge)) {
            $inside = $edge;
            while ($outward($inside + $step)) {
                if (!$holds($inside + $step)) {
                    return self::edge($holds, $inside, $inside + $step);
                }
                $inside += $step;
            }

            return $limit;
        }
        $outside = $edge;
        while ($step > 0 ? $outside - $step > $middle : $outside - $step < $middle) {
            if ($holds($outside - $step)) {
                return self::edge($holds, $outside - $step, $outside);
            }
            $outside -= $step;
        }

        return self::edge($holds, $middle, $outside);
    }

    /**
     * @param \Closure(float): bool $holds by direction, rad
     */
    private static function edge(\Closure $holds, float $inside, float $outside): float
    {
        [$inside, $outside] = HoldingIntervals::edge($holds, $inside, $outside, self::BISECTIONS);

        return ($inside + $outside) / 2;
    }
}
