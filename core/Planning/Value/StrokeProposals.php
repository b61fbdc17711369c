<?php

declare(strict_types=1);

namespace ZigLane\Core\Planning\Value;

use ZigLane\Core\Aiming\Pot;
use ZigLane\Core\Physics\Stroke;

/**
 * Pots and strokes that the state values promise most of, for the search to try.
 *
 * @internal
 */
final readonly class StrokeProposals
{
    /** Strokes that run into a ball which are tried. */
    private const CONTACTS = 8;

    /** Every so manieth speed is looked at for them; and balls that lie badly count when so many are left at most. */
    private const EVERY = 3;
    private const SOON = 2;

    /** Strokes closer than these are alike: tip (radii), logarithm of the speeds. */
    private const SAME_SIDE = 0.1;
    private const SAME_HEIGHT = 0.12;
    private const SAME_SPEED = 0.12;

    /** An easy stroke counts from this chance on. */
    private const SOME_CHANCE = 0.01;

    private PlanningCache $cache;
    private Pots $pots;
    private ContinuationValues $continuations;

    public function __construct(private StateValues $states)
    {
        $this->cache = $states->cache;
        $this->pots = $states->pots;
        $this->continuations = $states->continuations;
    }

    /**
     * Balls and pockets from a position, the best first.
     *
     * @param bool $lies the cue ball lies there already, whatever zone was pinned
     *
     * @return list<ValuedPot>
     */
    public function candidates(RemainingBalls $remaining, float $x, float $y, bool $lies = false): array
    {
        $cell = $this->states->grid()->cell($x, $y)->node;
        $corners = [$cell, $cell + 1, $cell + CueBallGrid::ACROSS + 1, $cell + CueBallGrid::ACROSS + 2];
        $found = [];
        foreach ($this->states->due($remaining) as $ball) {
            $after = $remaining->without($ball);
            if (!$this->states->knows($after) || (!$lies && !$this->states->constraints->allowsFrom($ball, $x, $y))) {
                continue;
            }
            $about = $this->pots->about($remaining, $ball);
            foreach ($this->pots->of($ball) as $option) {
                $onward = $this->continuations->afterPot($this->states, $after, $option->pot);
                $most = self::most($option->chances, $onward, $about, $corners);
                if ($most > 0.0) {
                    $found[] = new ValuedPot($option->pot, $most);
                }
            }
        }
        usort($found, static fn(ValuedPot $a, ValuedPot $b): int => $b->value <=> $a->value);

        return $found;
    }

    /**
     * What a pot is worth at the best of some nodes, at the best pace.
     *
     * @param array<int, float> $onward  see ContinuationValues::afterPot()
     * @param int         $about   balls that may hinder, one bit each
     * @param list<int>   $corners nodes
     */
    private static function most(PotChanceGrid $grid, array $onward, int $about, array $corners): float
    {
        $chances = $grid->chances($about);
        $most = 0.0;
        foreach ($corners as $node) {
            $n = $grid->place[$node] ?? -1;
            if ($n < 0 || 0 !== ($grid->blocked[$n] & $about)) {
                continue;
            }
            foreach ($chances as $pace => $chance) {
                $leads = ContinuationValues::interpolated($onward, $pace, $grid->distance[$n], $grid->cut[$n], $grid->part[$n]);
                $most = max($most, $chance[$n] * $leads);
            }
        }

        return $most;
    }

    /** What a pot leads on to: the share of its chance with an easy stroke, 0–1. */
    public function leads(RemainingBalls $remaining, Pot $pot, PotApproach $from): float
    {
        $after = $remaining->without($pot->ball);
        if ([] === $this->states->values($after)) {
            return 1.0;
        }
        $step = ArrivalGrid::cutStep($from->cut);
        $lower = (int) min(ArrivalGrid::CUTS - 2, floor($step));
        $distance = ArrivalGrid::distance($from->distance);
        $onward = $this->continuations->afterPot($this->states, $after, $pot);
        $at = static fn(int $pace): float => ContinuationValues::interpolated($onward, $pace, $distance, $lower, $step - $lower);
        $easy = $at(0);
        $grid = $this->pots->option($pot)?->chances;
        $n = null === $grid ? -1 : $grid->place[$from->node] ?? -1;
        if (null !== $grid && $n >= 0) {
            [$soft, $firm, $hard] = $grid->chances($this->pots->about($remaining, $pot->ball));
            if ($soft[$n] > self::SOME_CHANCE) {
                $easy = max($easy, $firm[$n] / $soft[$n] * $at(1), $hard[$n] / $soft[$n] * $at(2));
            }
        }

        return min(1.0, $easy);
    }

    /**
     * Strokes for a pot from a place, the most promising first, different in kind.
     *
     * @return list<Stroke>
     */
    public function strokes(RemainingBalls $remaining, Pot $pot, PotApproach $from): array
    {
        $option = $this->pots->option($pot);
        if (null === $option) {
            return [];
        }
        $n = $option->chances->place[$from->node] ?? -1;
        $chances = $option->chances->chances($this->pots->about($remaining, $pot->ball));
        $along = cos($from->cut) * (1 + $this->cache->simulator->ball->restitution) / 2;
        $speeds = $this->cache->grids->arrivals->speeds;
        $found = [];
        $cuts = $this->cutsAround($from->cut);
        foreach (ArrivalIndex::all($this->sides()) as $index) {
            $values = $this->continuations->bySpeed($this->states, $option, $remaining->without($pot->ball), $index, $cuts);
            foreach ($values as $c => $bySpeed) {
                foreach (self::peaks($bySpeed) as $k => $value) {
                    $stroke = ArrivalGrid::stroke($this->cache->simulator, $index->arrival($speeds[$k]), $from->distance);
                    if (null !== $stroke) {
                        $pace = PotChanceGrid::pace($along * $speeds[$k]);
                        $found[] = [$stroke, $value * ($n >= 0 ? $chances[$pace][$n] : 1.0)];
                    }
                }
            }
        }
        usort($found, static fn(array $a, array $b): int => $b[1] <=> $a[1]);

        return self::different(array_column($found, 0));
    }

    /**
     * The steps of the cut on either side, as far as they were played.
     *
     * @return list<int>
     */
    private function cutsAround(float $cut): array
    {
        $step = ArrivalGrid::cutStep($cut);
        $wide = $this->wide();

        return array_values(array_unique([$wide * (int) floor($step / $wide), $wide * (int) ceil($step / $wide)]));
    }

    /** Every so manieth cut is looked at. */
    private function wide(): int
    {
        return $this->states->fine ? 1 : ArrivalGrid::COARSE;
    }

    /** Side spins that are looked at. */
    private function sides(): int
    {
        return $this->states->fine ? \count(ArrivalSteps::SIDES) : 1;
    }

    /**
     * Peaks along the speed.
     *
     * @param array<int, float> $values by speed
     *
     * @return array<int, float>
     */
    private static function peaks(array $values): array
    {
        return array_filter(
            $values,
            static fn(float $value, int $k): bool => $value > 0.0
                && $value >= ($values[$k - 1] ?? 0.0)
                && $value > ($values[$k + 1] ?? 0.0),
            \ARRAY_FILTER_USE_BOTH,
        );
    }

    /**
     * Without those that are like an earlier one.
     *
     * @param list<Stroke> $strokes
     *
     * @return list<Stroke>
     */
    private static function different(array $strokes): array
    {
        $kept = [];
        foreach ($strokes as $one) {
            foreach ($kept as $other) {
                if (
                    abs($one->side - $other->side) < self::SAME_SIDE
                    && abs($one->height - $other->height) < self::SAME_HEIGHT
                    && abs(log($one->speed / $other->speed)) < self::SAME_SPEED
                ) {
                    continue 2;
                }
            }
            $kept[] = $one;
        }

        return $kept;
    }

    /**
     * Strokes that pot a ball and run into one that should be moved: of a cluster, or that lies badly and comes soon.
     *
     * @return list<Stroke>
     */
    public function contacts(RemainingBalls $remaining, Pot $pot, PotApproach $from): array
    {
        $after = $remaining->without($pot->ball);
        $wanted = $this->worthMoving($after);
        $option = 0 === $wanted ? null : $this->pots->option($pot);
        if (null === $option) {
            return [];
        }
        $c = $this->wide() * (int) round(ArrivalGrid::cutStep($from->cut) / $this->wide());
        $found = [];
        foreach (ArrivalIndex::all($this->sides()) as $index) {
            for ($k = $option->transitions->slowest[$c]; $k < ArrivalSteps::SPEEDS; $k += self::EVERY) {
                $met = $option->touched($c, $index->side)[$index->first() + $k] & $after->bits;
                $stroke = 0 === ($met & $wanted) || 0 !== ($met & ~$wanted) ? null : ArrivalGrid::stroke(
                    $this->cache->simulator,
                    $index->arrival($this->cache->grids->arrivals->speeds[$k]),
                    $from->distance,
                );
                if (null !== $stroke) {
                    $found[] = $stroke;
                }
            }
        }
        // The softer the surer, but not all alike.
        usort($found, static fn(Stroke $a, Stroke $b): int => $a->speed <=> $b->speed);
        $step = max(1, intdiv(\count($found), self::CONTACTS));

        return array_values(
            array_filter($found, static fn(int $n): bool => 0 === $n % $step && $n < $step * self::CONTACTS, \ARRAY_FILTER_USE_KEY),
        );
    }

    /** Balls that should be moved, one bit each. */
    private function worthMoving(RemainingBalls $after): int
    {
        $wanted = $after->areClustersBroken() ? 0 : $this->pots->cluster & $after->bits;
        foreach ($after->count() <= self::SOON ? $this->states->due($after) : [] as $next) {
            $wanted |= $this->pots->liesBadly($after, $next) ? 1 << $next : 0;
        }

        return $wanted;
    }
}
