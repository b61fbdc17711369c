<?php

declare(strict_types=1);

namespace ZigLane\Core\Planning\Value;

use ZigLane\Core\Equipment\Pocket;
use ZigLane\Core\Games\Game;
use ZigLane\Core\Rack\Rack;

/**
 * What a pot leads on to: the value of the states that the cue ball can be sent to from each cut, the best over the arrivals that can
 * be played from a distance, with the player's error of speed averaged in.
 *
 * The state values are not kept but given with each question: they keep this, and a circle of the two would live on until it is
 * swept up.
 *
 * @internal
 */
final class ContinuationValues
{
    public const DISTANCES = 4;
    private const PACES = 3;

    /**
     * In eight-ball what a shot leads on to is less than the tables say while the other group's balls lie about: they are moved
     * and come into the way. Fitted to seasons of 60 racks at league level, rng 1, and held against rng 2 (docs/planning.md).
     */
    private const OTHERS = 0.006;

    /** With so many balls left beside the last, every second cut will do. */
    private const FAR_OFF = 5;

    /** With so many or more left, where the order is free, a look without side spin and at every second cut will do. */
    private const CLOSE = 4;

    /** Share of each neighbouring cut that is mixed in: the ball is not always hit where it should be. */
    private const ASIDE = 0.2;

    private readonly Game $game;

    /** Balls that are the player's to pot, one bit each. */
    private readonly int $own;

    /** Whether the order is not the player's to choose: there are few sets then, and each is worked out closely. */
    private readonly bool $fixed;

    /** @var array{1: list<float>, 2: list<float>} weights of neighbouring speeds, of every one and of every second */
    private readonly array $mix;

    /** @var array<int, array<int, list<float>>> by remaining balls after the pot and ball · 8 + pocket */
    private array $onward = [];

    /** @param bool $fine closely: every cut, side spin */
    public function __construct(Rack $rack, private readonly PlanningCache $cache, private readonly Pots $pots, private readonly bool $fine)
    {
        $this->game = $rack->rules();
        $this->fixed = $this->game->hasFixedOrder();
        $this->own = array_sum(array_map(static fn(int $ball): int => 1 << $ball, $this->game->ownBalls($rack->layout)));
        $this->mix = [
            1 => self::hand($rack->player->speed, ArrivalGrid::RUNG),
            2 => self::hand($rack->player->speed, ArrivalGrid::RUNG ** 2),
        ];
    }

    /**
     * The best continuation value after a pot in one pocket.
     *
     * @param int $after remaining balls after the pot
     *
     * @return list<float> by pace, distance and cut: (pace · DISTANCES + distance) · CUTS + cut, see interpolated()
     */
    public function afterPot(ValueFunction $values, int $after, int $ball, Pocket $pocket): array
    {
        $name = $ball * 8 + $pocket->index();
        if (isset($this->onward[$after][$name])) {
            return $this->onward[$after][$name];
        }
        $best = array_fill(0, self::PACES * self::DISTANCES * ArrivalGrid::CUTS + 1, 0.0);
        $strokes = $this->cache->arrivals->strokes;
        $speeds = $this->cache->arrivals->speeds;
        $push = (1 + $this->cache->simulator->ball->restitution) / 2;
        $many = RemainingBalls::count($after);
        $sides = $this->fine && ($this->fixed || $many < self::CLOSE) ? \count(ArrivalGrid::SIDES) : 1;
        $step = $this->fine && $many < ($this->fixed ? self::FAR_OFF : self::CLOSE) ? 1 : CueBallTransitions::COARSE;
        // And at every second speed.
        $skip = 1 === $step || $this->fixed ? 1 : 2;
        foreach ($this->pots->of($ball) as $pot) {
            if ($pot->pocket !== $pocket) {
                continue;
            }
            for ($r = 0; $r < \count(ArrivalGrid::ROLLS); ++$r) {
                for ($s = 0; $s < $sides; ++$s) {
                    $base = ($r * 3 + $s) * ArrivalGrid::SPEEDS * self::DISTANCES;
                    foreach ($this->byCutAndSpeed($values, $pot, $after, $r, $s, $step, $skip) as $c => $mixed) {
                        $along = $push * cos(deg2rad($c * ArrivalGrid::CUT_STEP - ArrivalGrid::WIDEST));
                        foreach ($mixed as $k => $value) {
                            if ($value <= 0.0) {
                                continue;
                            }
                            $at = PotChanceGrid::pace($along * $speeds[$k]) * self::DISTANCES * ArrivalGrid::CUTS + $c;
                            for ($d = 0; $d < self::DISTANCES; ++$d) {
                                if ($value > $best[$at] && null !== $strokes[$base + $k * self::DISTANCES + $d]) {
                                    $best[$at] = $value;
                                }
                                $at += ArrivalGrid::CUTS;
                            }
                        }
                    }
                }
            }
        }

        $best = 1 === $step ? $best : self::filled($best);
        $less = 1 - self::OTHERS * $this->others($after);

        return $this->onward[$after][$name] = 1.0 === $less ? $best : array_map(static fn(float $value): float => $less * $value, $best);
    }

    /**
     * @param list<float> $onward as afterPot() gives it
     * @param int         $cut    step below the cut
     * @param float       $part   of the step above it, 0–1
     */
    public static function interpolated(array $onward, int $pace, int $distance, int $cut, float $part): float
    {
        $at = ($pace * self::DISTANCES + $distance) * ArrivalGrid::CUTS + $cut;

        return $onward[$at] + ($onward[$at + 1] - $onward[$at]) * $part;
    }

    /**
     * What a ball's pots lead on to from the left and from the right of their line, at the best.
     *
     * @return array{float, float}
     */
    public function sides(ValueFunction $values, int $remaining, int $ball, Pocket $pocket): array
    {
        $onward = $this->afterPot($values, $remaining & ~(1 << $ball), $ball, $pocket);
        $best = [0.0, 0.0];
        foreach ($onward as $at => $value) {
            $cut = $at % ArrivalGrid::CUTS - intdiv(ArrivalGrid::CUTS, 2);
            // Cutting the ball to the right, the cue ball lies to the left of the line.
            if ($cut > 0) {
                $best[0] = max($best[0], $value);
            } elseif ($cut < 0) {
                $best[1] = max($best[1], $value);
            }
        }

        return $best;
    }

    /**
     * What one kind of arrival leaves at every cut and speed, with the cuts beside it mixed in.
     *
     * @param int<1, 2>                              $skip looks at every speed, or every second
     *
     * @return array<int, array<int, float>> by cut and speed
     */
    public function byCutAndSpeed(
        ValueFunction $values,
        PotOption $pot,
        int $after,
        int $roll,
        int $side,
        int $step = 1,
        int $skip = 1,
    ): array {
        $plain = [];
        for ($c = 0; $c < ArrivalGrid::CUTS; $c += $step) {
            if ($pot->transitions->slowest[$c] < ArrivalGrid::SPEEDS) {
                $plain[$c] = $this->bySpeed($values, $pot, $after, $c, $roll, $side, $skip);
            }
        }
        $aside = [];
        foreach ($plain as $c => $mixed) {
            $less = $plain[$c - 1] ?? $mixed;
            $more = $plain[$c + 1] ?? $mixed;
            $slowest = $pot->transitions->slowest[$c];
            foreach ($mixed as $k => $value) {
                $aside[$c][$k] = $k < $slowest ? 0.0 : (1 - 2 * self::ASIDE) * $value + self::ASIDE * ($less[$k] + $more[$k]);
            }
        }

        return $aside;
    }

    /**
     * What one kind of arrival leaves at every speed, the hand's error mixed in.
     *
     * @param int<1, 2>                              $skip looks at every speed, or every second
     *
     * @return array<int, float> by speed
     */
    private function bySpeed(ValueFunction $states, PotOption $pot, int $after, int $cut, int $roll, int $side, int $skip): array
    {
        $transitions = $pot->transitions;
        $touched = $pot->touched;
        $values = $states->values($after);
        $base = (($cut * 5 + $roll) * 3 + $side) * ArrivalGrid::SPEEDS;
        $slowest = $transitions->slowest[$cut];
        $node = $transitions->node;
        $ss = $transitions->s;
        $ts = $transitions->t;
        $over = [] === $values;
        $row = CueBallGrid::ACROSS + 1;
        $left = [];
        $some = false;
        for ($k = 0; $k < ArrivalGrid::SPEEDS; $k += $skip) {
            $entry = $base + $k;
            $n = $node[$entry];
            if ($k < $slowest || $n < 0) {
                $left[] = 0.0;
                continue;
            }
            $met = $touched[$entry] & $after;
            if ($over) {
                $left[] = 1.0;
            } elseif (0 !== $met) {
                $left[] = $states->disturbed($after, $met);
            } else {
                $s = $ss[$entry];
                $t = $ts[$entry];
                $left[] = (1 - $s) * ((1 - $t) * $values[$n] + $t * $values[$n + 1])
                    + $s * ((1 - $t) * $values[$n + $row] + $t * $values[$n + $row + 1]);
            }
            $some = true;
        }
        $mix = $this->mix[$skip];
        $reach = \count($mix) >> 1;
        $last = \count($left) - 1;
        $mixed = [];
        for ($at = 0, $k = 0; $at <= $last; ++$at, $k += $skip) {
            $sum = 0.0;
            if ($some && $k >= $slowest) {
                foreach ($mix as $i => $weight) {
                    $from = $at + $i - $reach;
                    // Harder than the ladder knows is as at its end.
                    $sum += $weight * ($from < 0 ? 0.0 : $left[$from < $last ? $from : $last]);
                }
            }
            $mixed[$k] = $sum;
        }

        return $mixed;
    }

    /**
     * Between the cuts of a first look.
     *
     * @param list<float> $best
     *
     * @return list<float>
     */
    private static function filled(array $best): array
    {
        for ($row = 0; $row < self::PACES * self::DISTANCES; ++$row) {
            for ($c = 1; $c < ArrivalGrid::CUTS - 1; $c += CueBallTransitions::COARSE) {
                $at = $row * ArrivalGrid::CUTS + $c;
                $best[$at] = ($best[$at - 1] + $best[$at + 1]) / 2;
            }
        }

        return array_values($best);
    }

    /**
     * Neighbouring speeds as the hand mixes them: weights, the speed itself in the middle.
     *
     * @param float $error of the speed, as a share of it
     * @param float $rung  ratio of neighbours
     *
     * @return list<float>
     */
    private static function hand(float $error, float $rung): array
    {
        $sigma = max($error, 0.02);
        $reach = (int) max(1, ceil(2.2 * $sigma / log($rung)));
        $mix = array_map(static fn(int $k): float => exp(-0.5 * ($k * log($rung) / $sigma) ** 2), range(-$reach, $reach));
        $sum = array_sum($mix);

        return array_map(static fn(float $w): float => $w / $sum, $mix);
    }

    /** The other group's balls in a set: never to be shot, always there. */
    private function others(int $remaining): int
    {
        return $this->game->hasObstacles() ? RemainingBalls::count($remaining & ~$this->own) : 0;
    }
}
