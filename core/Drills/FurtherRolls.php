<?php

declare(strict_types=1);

namespace ZigLane\Core\Drills;

use ZigLane\Core\Equipment\BallId;
use ZigLane\Core\Equipment\Table;
use ZigLane\Core\Geometry\Point;
use ZigLane\Core\Numerics\Generator;
use ZigLane\Core\Physics\EventType;
use ZigLane\Core\Physics\Layout;
use ZigLane\Core\Physics\Shot;
use ZigLane\Core\Physics\Simulator;
use ZigLane\Core\Physics\Tip;
use ZigLane\Core\Player\Player;

/**
 * Balls rolled up the table from the head string, each just past the one before: how many before one stops short of it or touches the
 * end rail.
 */
final readonly class FurtherRolls
{
    /** One stroke repeated has this share of the error of speed that a stroke in play has (common practice, no source). */
    private const REPEATED = 0.4;

    /** The first ball is rolled so far, diamonds; each of the others so many standard deviations of its distance past the last one. */
    private const FIRST = 0.4;
    private const MARGINS = [0.8, 1.0, 1.2, 1.4, 1.6, 1.8, 2.1, 2.5];
    private const TRIALS = 60;

    /** Speeds at which it is measured how far a ball rolls, m/s. */
    private const SPEEDS = [0.15, 2.4];
    private const STEPS = 60;

    /** Height of the tip of a rolled ball, in radii (common practice, no source). */
    private const ROLLED = 0.2;

    private float $longest;

    /** @var list<array{float, float}> speed of the cue, m/s, and how far the ball rolls, m, rising */
    private array $rolls;

    private float $margin;

    public function __construct(Table $table, private Player $player)
    {
        $simulator = new Simulator($table);
        $start = $table->size->pointAt(2.0, 2.0);
        $this->longest = $simulator->geometry->length - $simulator->geometry->reach - $start->x;
        $rolls = [];
        for ($n = 0; $n <= self::STEPS; ++$n) {
            $speed = self::SPEEDS[0] + $n * (self::SPEEDS[1] - self::SPEEDS[0]) / self::STEPS;
            $result = $simulator->play(new Layout([BallId::CUE => $start]), new Shot(0.0, $speed, new Tip(0.0, self::ROLLED), 0.0));
            $stop = $result->final->balls[BallId::CUE] ?? new Point($start->x, $start->y);
            if ([] !== $result->eventsOf(BallId::CUE, EventType::BallCushion)) {
                break;
            }
            $rolls[] = [$speed, $stop->x - $start->x];
        }
        $this->rolls = $rolls;
        $this->margin = $this->bestMargin();
    }

    /** How many balls of one try. */
    public function many(Generator $random): int
    {
        return $this->rolled($random, $this->margin);
    }

    private function rolled(Generator $random, float $margin): int
    {
        $error = self::REPEATED * $this->player->speed;
        $last = 0.0;
        $many = 0;
        $aim = self::FIRST * $this->longest / 6.0;
        while (true) {
            // Twice the share of an error of speed is the share of distance.
            $aim = 0 === $many ? $aim : min($last * (1 + 2 * $margin * $error) + 0.005, $this->longest - 0.01);
            $far = $this->far($this->speed($aim) * (1.0 + $error * $random->normal()));
            if ($far <= $last || $far >= $this->longest) {
                return $many;
            }
            ++$many;
            $last = $far;
        }
    }

    /** The margin with which this player rolls the most. */
    private function bestMargin(): float
    {
        $best = [-1.0, self::MARGINS[0]];
        foreach (self::MARGINS as $margin) {
            $random = new Generator(1);
            $sum = 0;
            for ($n = 0; $n < self::TRIALS; ++$n) {
                $sum += $this->rolled($random, $margin);
            }
            $best = $sum > $best[0] ? [(float) $sum, $margin] : $best;
        }

        return $best[1];
    }

    /** How far a ball goes that is struck so hard, m; beyond what was measured by the square of the speed. */
    private function far(float $speed): float
    {
        $before = null;
        foreach ($this->rolls as $roll) {
            if ($roll[0] >= $speed) {
                return null === $before
                    ? $roll[1] * ($speed / $roll[0]) ** 2
                    : $before[1] + ($roll[1] - $before[1]) * ($speed - $before[0]) / ($roll[0] - $before[0]);
            }
            $before = $roll;
        }

        return null === $before ? 0.0 : $before[1] * ($speed / $before[0]) ** 2;
    }

    private function speed(float $far): float
    {
        $before = null;
        foreach ($this->rolls as $roll) {
            if ($roll[1] >= $far) {
                return null === $before
                    ? $roll[0] * sqrt($far / max(1e-6, $roll[1]))
                    : $before[0] + ($roll[0] - $before[0]) * ($far - $before[1]) / max(1e-9, $roll[1] - $before[1]);
            }
            $before = $roll;
        }

        return null === $before ? 0.0 : $before[0] * sqrt($far / $before[1]);
    }
}
