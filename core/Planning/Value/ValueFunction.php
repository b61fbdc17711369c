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
    public function isOver(int $remaining): bool;

    /**
     * @return list<int> balls that may be shot next; none when the rack is over
     */
    public function due(int $remaining): array;

    /**
     * @return array<int, float> value by node of the cue ball's grid, 0–1; [] when the rack is over
     */
    public function values(int $remaining): array;

    /** Mean value over the cue ball's positions, 0–1. */
    public function meanValue(int $remaining): float;

    /** Value of the best position of the cue ball, 0–1. */
    public function highest(int $remaining): float;

    /**
     * What is left, on average, when balls have been run into, 0–1.
     *
     * @param int        $met   those balls, one bit each
     * @param float|null $place value of the cue ball's position had nothing been moved; null when it is not known
     */
    public function disturbed(int $remaining, int $met, ?float $place = null): float;
}
