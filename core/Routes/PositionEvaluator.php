<?php

declare(strict_types=1);

namespace ZigLane\Core\Routes;

use ZigLane\Core\Aiming\Pot;

/**
 * What the cue ball is left with wherever it stops after a pot: the measure by which routes are chosen.
 */
interface PositionEvaluator
{
    /** Value of a place (m), 0–1. */
    public function valueAt(float $x, float $y): float;

    /** Chance of the next pot from a place (m), 0–1; 1 when nothing needs to come. */
    public function chanceAt(float $x, float $y): float;

    /**
     * Value from which a place counts as position.
     *
     * @param float $leaves what the stroke leaves when it is played well, 0–1: of a ball that is hard from wherever the cue ball can go
     *                      no more can be asked
     */
    public function level(float $leaves = 1.0): float;

    /** What would be shot from a place (m); null for nothing. */
    public function next(float $x, float $y): ?Pot;

    /**
     * Value of a table on which other balls were moved, with the cue ball at a place (m).
     *
     * @param non-empty-array<int, array{float, float}|null> $moved where they lie now, m, by ball; null for one that fell
     */
    public function disturbed(array $moved, float $x, float $y): float;

    /** From now on the closer look: a first one may be coarser. */
    public function lookOn(): void;
}
