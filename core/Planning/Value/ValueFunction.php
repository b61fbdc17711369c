<?php

declare(strict_types=1);

namespace ZigLane\Core\Planning\Value;

/**
 * The value function of a run-out, as what it is made from asks for it.
 *
 * @internal
 */
interface ValueFunction
{
    /** Whether nothing is left to be pocketed. */
    public function isOver(RemainingBalls $remaining): bool;

    /**
     * @return list<int> balls that may be shot next; none when the rack is over
     */
    public function due(RemainingBalls $remaining): array;

    /**
     * @return array<int, float> value by node of the cue ball's grid, 0–1; [] when the rack is over
     */
    public function values(RemainingBalls $remaining): array;

    /** Mean value over the cue ball's positions, 0–1. */
    public function meanValue(RemainingBalls $remaining): float;

    /** Value of the best position of the cue ball, 0–1. */
    public function highest(RemainingBalls $remaining): float;

    /**
     * What is left, on average, when balls have been run into, 0–1.
     *
     * @param int        $met   those balls, one bit each
     * @param float|null $place value of the cue ball's position had nothing been moved; null when it is not known
     */
    public function disturbed(RemainingBalls $remaining, int $met, ?float $place = null): float;
}
