<?php

declare(strict_types=1);

namespace ZigLane\Core\Planning\Value;

use ZigLane\Core\Aiming\Pot;
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

    private readonly Game $game;

    /** Balls that are the player's to pot, one bit each. */
    private readonly int $own;

    /** Whether the order is not the player's to choose: there are few sets then, and each is worked out closely. */
    private readonly bool $fixed;

    /** @var array{1: list<float>, 2: list<float>} weights of neighbouring speeds, of every one and of every second */
    private readonly array $mix;

    /** @var array<int, array<int, array<int, float>>> by remaining balls after the pot and ball · 8 + pocket */
    private array $onward = [];

    /** @var array<int, array<int, array<int, int>>> arrival that gives each of those values: kind · SPEEDS + speed */
    private array $arrivals = [];

    /** @param bool $fine closely: every cut, side spin */
    public function __construct(Rack $rack, private readonly PlanningCache $cache, private readonly Pots $pots, private readonly bool $fine)
    {
        $this->game = $rack->rules();
        $this->fixed = $this->game->hasFixedOrder();
        $this->own = array_sum(array_map(static fn(int $ball): int => 1 << $ball, $this->game->ownBalls($rack->layout)));
        $this->mix = [
            1 => self::hand($rack->player->speed, ArrivalSteps::RUNG),
            2 => self::hand($rack->player->speed, ArrivalSteps::RUNG ** 2),
        ];
    }

    /**
     * The best continuation value after a pot in one pocket.
     *
     * @param RemainingBalls $after the pot
     *
     * @return array<int, float> by pace, distance and cut: (pace · DISTANCES + distance) · CUTS + cut, see interpolated()
     */
    public function afterPot(ValueFunction $values, RemainingBalls $after, Pot $pot): array
    {
        $name = $pot->ball * 8 + $pot->pocket->index();
        if (isset($this->onward[$after->bits][$name])) {
            return $this->onward[$after->bits][$name];
        }
        $needed = $this->needed($after);
        $step = $needed->step;
        // And at every second speed.
        $skip = 1 === $step || $this->fixed ? 1 : 2;
        $best = array_fill(0, self::PACES * self::DISTANCES * ArrivalGrid::CUTS + 1, 0.0);
        $option = $this->pots->option($pot);
        if (null !== $option) {
            $continuation = new PotContinuation($values, $option, $after, $this->mix[$skip], $skip);
            $arrivals = [];
            foreach (ArrivalIndex::all($needed->sides) as $kind => $index) {
                $left = $continuation->byCutAndSpeed($index, range(0, ArrivalGrid::CUTS - 1, $step), $step);
                $this->raise($best, $arrivals, $left, $index, $kind * ArrivalSteps::SPEEDS);
            }
            $this->arrivals[$after->bits][$name] = $arrivals;
        }
        $best = 1 === $step ? $best : self::filled($best);
        $less = 1 - self::OTHERS * $this->others($after);

        return $this->onward[$after->bits][$name] = 1.0 === $less
            ? $best
            : array_map(static fn(float $value): float => $less * $value, $best);
    }

    /** Cuts and side spins that are looked at for a pot that leaves these balls. */
    public function needed(RemainingBalls $after): TransitionsNeeded
    {
        return TransitionsNeeded::forPot($this->fine, $this->fixed, $after->count());
    }

    /**
     * Raises the best values to those of one kind of arrival where a stroke plays it.
     *
     * @param array<int, float>             $best     as afterPot() gives it
     * @param array<int, int>               $arrivals that give it
     * @param array<int, array<int, float>> $values   by cut and speed
     * @param int                           $first    what the arrival's first speed is named by
     */
    private function raise(array &$best, array &$arrivals, array $values, ArrivalIndex $index, int $first): void
    {
        $strokes = $this->cache->grids->arrivals->strokes;
        $speeds = $this->cache->grids->arrivals->speeds;
        $push = (1 + $this->cache->simulator->ball->restitution) / 2;
        $base = $index->strokeEntry();
        foreach ($values as $c => $mixed) {
            $along = $push * cos(deg2rad($c * ArrivalGrid::CUT_STEP - ArrivalGrid::WIDEST));
            foreach ($mixed as $k => $value) {
                if ($value <= 0.0) {
                    continue;
                }
                $at = PotChanceGrid::pace($along * $speeds[$k]) * self::DISTANCES * ArrivalGrid::CUTS + $c;
                for ($d = 0; $d < self::DISTANCES; ++$d) {
                    if ($value > $best[$at] && null !== $strokes[$base + $k * self::DISTANCES + $d]) {
                        $best[$at] = $value;
                        $arrivals[$at] = $first + $k;
                    }
                    $at += ArrivalGrid::CUTS;
                }
            }
        }
    }

    /**
     * The arrival that gives a value of afterPot(); that of the cut beside it in a first look, null when there is none.
     *
     * @param int $at place in afterPot()
     *
     * @return array{ArrivalIndex, int}|null and its speed
     */
    public function arrival(ValueFunction $values, RemainingBalls $after, Pot $pot, int $at): ?array
    {
        $this->afterPot($values, $after, $pot);
        $known = $this->arrivals[$after->bits][$pot->ball * 8 + $pot->pocket->index()] ?? [];
        $arrival = $known[$at] ?? $known[$at - 1] ?? $known[$at + 1] ?? null;

        return null === $arrival
            ? null
            : [ArrivalIndex::all($this->needed($after)->sides)[intdiv($arrival, ArrivalSteps::SPEEDS)], $arrival % ArrivalSteps::SPEEDS];
    }

    /**
     * @param array<int, float> $onward as afterPot() gives it
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
    public function sides(ValueFunction $values, RemainingBalls $remaining, Pot $pot): array
    {
        $onward = $this->afterPot($values, $remaining->without($pot->ball), $pot);
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
     * What one kind of arrival leaves after a pot at some cuts.
     *
     * @param list<int> $cuts places on the ladder of cuts
     *
     * @return array<int, array<int, float>> by cut and speed
     */
    public function bySpeed(ValueFunction $values, PotOption $option, RemainingBalls $after, ArrivalIndex $index, array $cuts): array
    {
        $continuation = new PotContinuation($values, $option, $after, $this->mix[1], 1);

        return $continuation->byCutAndSpeed($index, $cuts, $this->fine ? 1 : ArrivalGrid::COARSE);
    }

    /**
     * Between the cuts of a first look.
     *
     * @param array<int, float> $best
     *
     * @return array<int, float>
     */
    private static function filled(array $best): array
    {
        for ($row = 0; $row < self::PACES * self::DISTANCES; ++$row) {
            for ($c = 1; $c < ArrivalGrid::CUTS - 1; $c += ArrivalGrid::COARSE) {
                $at = $row * ArrivalGrid::CUTS + $c;
                $best[$at] = ($best[$at - 1] + $best[$at + 1]) / 2;
            }
        }

        return $best;
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
    private function others(RemainingBalls $remaining): int
    {
        return $this->game->hasObstacles() ? substr_count(decbin($remaining->balls() & ~$this->own), '1') : 0;
    }
}
