<?php

declare(strict_types=1);

namespace ZigLane\Core\Numerics;

/**
 * Where along a line something holds, by trying: in steps, and every edge by halving.
 */
final class HoldingIntervals
{
    private function __construct() {}

    /**
     * The intervals in which it holds, as far as the steps tell; one that is open at an end of the range ends there.
     *
     * @param \Closure(float): bool         $holds
     * @param \Closure(float, float): float $edge  between a place where it holds and one where it does not
     *
     * @return list<array{float, float}> ascending
     */
    public static function scanned(\Closure $holds, float $from, float $to, int $steps, \Closure $edge): array
    {
        $step = ($to - $from) / $steps;
        $intervals = [];
        $open = null;
        for ($i = 0; $i <= $steps; ++$i) {
            $at = $from + $i * $step;
            $now = $holds($at);
            if ($now && null === $open) {
                $open = 0 === $i ? $at : $edge($at, $at - $step);
            } elseif (!$now && null !== $open) {
                $intervals[] = [$open, $edge($at - $step, $at)];
                $open = null;
            }
        }
        if (null !== $open) {
            $intervals[] = [$open, $to];
        }

        return $intervals;
    }

    /**
     * What an edge lies between, after so many halvings.
     *
     * @param callable(float): bool $holds
     *
     * @return array{float, float} the last place where it holds, and the one beside it where it does not
     */
    public static function edge(callable $holds, float $inside, float $outside, int $halvings): array
    {
        for ($i = 0; $i < $halvings; ++$i) {
            $middle = ($inside + $outside) / 2;
            if ($holds($middle)) {
                $inside = $middle;
            } else {
                $outside = $middle;
            }
        }

        return [$inside, $outside];
    }
}
