<?php

declare(strict_types=1);

namespace ZigLane\Core\Planning\Value;

/**
 * The upright rectangle that a ball must lie in to be met on a cue ball's way, m.
 *
 * @internal
 */
final readonly class Box
{
    public function __construct(public float $left, public float $right, public float $low, public float $high) {}

    /**
     * @param list<float> $way   its corners as x and y in turn, m
     * @param float                 $reach how far from the way, m
     */
    public static function around(array $way, float $reach): self
    {
        $left = $low = INF;
        $right = $high = -INF;
        for ($k = 0; $k < \count($way); $k += 2) {
            $left = min($left, $way[$k] - $reach);
            $right = max($right, $way[$k] + $reach);
            $low = min($low, $way[$k + 1] - $reach);
            $high = max($high, $way[$k + 1] + $reach);
        }

        return new self($left, $right, $low, $high);
    }
}
