<?php

declare(strict_types=1);

namespace ZigLane\Core\Shots;

use ZigLane\Core\Aiming\Pot;
use ZigLane\Core\Equipment\Rail;
use ZigLane\Core\Geometry\Angle;
use ZigLane\Core\Geometry\Point;
use ZigLane\Core\Physics\Layout;
use ZigLane\Core\Physics\Simulator;

/**
 * The rail or the ball that a shot of some kind would most naturally go by, by plain geometry: what a form begins with.
 */
final readonly class IntentGuess
{
    /** A fuller hit is worth so much way, m for each rad of the cut. */
    private const CUT = 1.0;

    /** Thinner than this (rad) no ball is hit on purpose. */
    private const THINNEST = 1.3;

    public function __construct(private Simulator $simulator, private Layout $layout, private Pot $pot) {}

    /**
     * @param list<int> $targets balls that may be hit first; a jump, a swerve and a kiss may have to do with any other
     *
     * @return Intent|null null when there is nothing that it could go by
     */
    public function of(ShotKind $kind, array $targets): ?Intent
    {
        $ways = [];
        if ($kind->needsOther()) {
            foreach (array_diff($kind->hitsOther() ? $targets : $this->layout->objectBalls(), [$this->pot->ball]) as $other) {
                $ways[] = new Intent($kind, other: $other);
            }
        } elseif ($kind->mostRails() > 0) {
            foreach (Rail::cases() as $rail) {
                $ways[] = new Intent($kind, [$rail]);
            }
        } else {
            $ways[] = new Intent($kind);
        }
        $best = null;
        $least = INF;
        foreach ($ways as $way) {
            $effort = $this->effort(new ShotTable($this->simulator, $this->layout, $this->pot, $way));
            if (null === $best || $effort < $least) {
                $best = $way;
                $least = $effort;
            }
        }

        return $best;
    }

    /** How far the balls travel, and how thinly they are hit; in m. */
    private function effort(ShotTable $table): float
    {
        $mouth = ShotKind::Bank === $table->intent->kind ? $table->image($table->mouth) : $table->mouth;
        $ghost = $table->ball->toward($table->ball->angleTo($mouth), -$table->diameter);
        $last = $this->through($table->first(), $table->ball, $mouth);

        return match ($table->intent->kind) {
            ShotKind::Jump, ShotKind::Swerve => $this->layout->ball((int) $table->intent->other)->distanceToLine($table->cue, $ghost),
            ShotKind::RailFirst => $table->ball->distanceTo($table->image($table->ball)) + $table->cue->distanceTo($table->image($ghost)),
            ShotKind::Kiss => $this->through($table->cue, $table->ball, $this->layout->ball((int) $table->intent->other))
                + $this->layout->ball((int) $table->intent->other)->distanceTo($mouth),
            ShotKind::Combination => $this->through($table->cue, $table->first(), $ghost) + $last,
            ShotKind::Carom => $table->cue->distanceTo($table->first()) + $last,
            ShotKind::Kick => $table->cue->distanceTo($table->image($ghost)),
            default => $this->through($table->cue, $table->ball, $mouth),
        };
    }

    /** A ball sent from one place by way of another to a third. */
    private function through(Point $from, Point $by, Point $to): float
    {
        $cut = abs(Angle::wrap($by->angleTo($to) - $from->angleTo($by)));

        return $cut > self::THINNEST ? 100.0 * $cut : $from->distanceTo($by) + $by->distanceTo($to) + self::CUT * $cut;
    }
}
