<?php

declare(strict_types=1);

namespace ZigLane\Core\Planning\Value;

use ZigLane\Core\Aiming\Pot;
use ZigLane\Core\Games\Game;
use ZigLane\Core\Geometry\Contour;
use ZigLane\Core\Geometry\Region;
use ZigLane\Core\Physics\Layout;
use ZigLane\Core\Planning\PlanConstraints;
use ZigLane\Core\Potting\PotChance;
use ZigLane\Core\Rack\Rack;

/**
 * State values of a run-out, by backward induction (R. Bellman, "Dynamic Programming", 1957). A state is the cue ball's position
 * and the set of remaining balls; its value is the chance to run out from there under best play.
 *
 * The value of a state is the maximum, over the legal balls and their pockets, of the chance of the pot times the continuation
 * value of the cut there; and that is the maximum, over the arrivals of ArrivalGrid that can be played, of the value of the state
 * in which the cue ball then stops, averaged over the player's error of speed. Object balls are assumed to stay where they lie. A
 * cue ball that runs into another one leaves an unknown position: a share of the mean value; but where it meets a ball of a
 * cluster, the cluster counts as open from then on.
 *
 * Remaining balls are one bit for each ball number; bit 0 (the cue ball's) says that the clusters have been broken.
 *
 * @internal
 */
final class StateValues implements ValueFunction
{
    /**
     * What running into a ball leaves: of the mean value of all positions, and of the value of the cue ball's own had nothing
     * been moved. Fitted to tables replanned after 319 such shots in three games, see docs/planning.md.
     */
    private const OF_MEAN = 0.45;
    private const OF_PLACE = 0.5;

    /**
     * Where nothing can be shot from anywhere, something will have been moved by then in so many cases, and what comes after is
     * left at its mean (our own choice): without it all states before would have the same value.
     */
    private const LUCK = 0.05;

    /**
     * In straight pool a shot opens a cluster by the way in so many cases: balls are hit all the time that lie in nobody's way. Fitted to
     * seasons of 100 racks at two levels, rng 1, which ran out twice as often as was predicted without it; more makes plans wait for it
     * (docs/planning.md).
     */
    private const BY_THE_WAY = 0.2;

    private readonly Game $game;
    private readonly Layout $layout;
    public readonly Pots $pots;
    public readonly MovedBalls $moved;
    private readonly ClusterOpenings $openings;
    public readonly ContinuationValues $continuations;

    /** @var array<int, list<int>> by remaining balls */
    private array $due = [];

    /** @var array<int, array<int, float>> by remaining balls and node; [] when the rack is over */
    private array $values = [];

    /** @var array<int, float> by remaining balls */
    private array $means = [];

    /** @var array<int, float> by remaining balls */
    private array $most = [];

    /** @var array<int, array<int, bool>> nodes inside pinned zones, by ball */
    private array $zones = [];

    /** @var array<string, NextPotChance> by remaining balls, pot and distance of places */
    private array $chances = [];

    /** @var array<string, array<int, float>> what other processes know of chances not asked for here yet */
    private array $learnt = [];

    /** @var array<int, true>|null sets that may be gone through; null for all */
    private ?array $lattice = null;

    /**
     * @param bool $fine     closely: every cut, side spin, more pockets
     * @param bool $forBreak to choose by in straight pool, with what the place for the break shot counts for; else as a person is told
     */
    public function __construct(
        private readonly Rack $rack,
        public readonly PlanningCache $cache,
        public readonly bool $fine = true,
        public readonly PlanConstraints $constraints = new PlanConstraints(),
        private readonly bool $forBreak = true,
    ) {
        $this->game = $rack->rules();
        $this->layout = $rack->layout;
        $this->pots = new Pots($rack, $cache, $fine, $constraints);
        $this->moved = new MovedBalls($rack, $cache);
        $this->openings = $this->moved->openings($this->pots->cluster);
        $this->continuations = new ContinuationValues($rack, $cache, $this->pots, $fine);
    }

    /** Positions of the cue ball that values are known for. */
    public function grid(): CueBallGrid
    {
        return $this->cache->grids->positions;
    }

    /**
     * Goes only through sets that one of these orders goes through, and through those known before.
     *
     * @param list<list<int>> $orders balls, the first to be potted first
     */
    public function through(RemainingBalls $remaining, array $orders): void
    {
        foreach ($orders as $order) {
            $left = $remaining->balls();
            $this->lattice[$left] = true;
            foreach ($order as $ball) {
                $left &= ~(1 << $ball);
                $this->lattice[$left] = true;
            }
        }
    }

    /** Goes through the sets that others go through, so that both are compared on the same ways. */
    public function like(self $other): void
    {
        $this->lattice = null === $other->lattice ? null : $other->lattice + ($this->lattice ?? []);
    }

    /** Whether a set may be gone through. */
    public function knows(RemainingBalls $remaining): bool
    {
        return $this->allowed($remaining);
    }

    public function isOver(RemainingBalls $remaining): bool
    {
        return [] === $this->due($remaining);
    }

    public function due(RemainingBalls $remaining): array
    {
        $balls = $remaining->balls();
        if (!isset($this->due[$balls])) {
            $left = $this->lying($balls);
            $due = $this->game->isOver($left) ? [] : $this->game->legalTargets($left);
            $this->due[$balls] = array_values(array_filter($due, fn(int $ball): bool => $this->constraints->allows($ball, $remaining)));
        }

        return $this->due[$balls];
    }

    /** Some of the balls where they lie. */
    private function lying(int $bits): Layout
    {
        return new Layout(array_filter($this->layout->balls, static fn(int $id): bool => 0 !== ($bits >> $id & 1), \ARRAY_FILTER_USE_KEY));
    }

    /** Value of a position of the cue ball (m), 0–1. */
    public function valueAt(RemainingBalls $remaining, float $x, float $y): float
    {
        $values = $this->values($remaining);

        return [] === $values ? 1.0 : $this->cache->grids->positions->between($values, $x, $y);
    }

    public function values(RemainingBalls $remaining): array
    {
        if (!isset($this->values[$remaining->bits])) {
            $this->work($remaining);
        }

        return $this->values[$remaining->bits];
    }

    public function disturbed(RemainingBalls $remaining, int $met, ?float $place = null): float
    {
        if ($this->isOver($remaining)) {
            return 1.0;
        }
        $mean = $this->meanValue($remaining);
        $plain = self::OF_MEAN * $mean + self::OF_PLACE * ($place ?? $mean);
        if (0 !== ($met & $this->pots->cluster) && !$remaining->areClustersBroken()) {
            return max($plain, $this->openings->share($met) * $this->meanValue($remaining->withClustersBroken()));
        }

        return $plain;
    }

    public function meanValue(RemainingBalls $remaining): float
    {
        if (!isset($this->means[$remaining->bits])) {
            $values = $this->values($remaining);
            $this->means[$remaining->bits] = [] === $values ? 1.0 : array_sum($values) / \count($values);
        }

        return $this->means[$remaining->bits];
    }

    public function highest(RemainingBalls $remaining): float
    {
        if (!isset($this->most[$remaining->bits])) {
            $values = $this->values($remaining);
            $this->most[$remaining->bits] = [] === $values ? 1.0 : max($values);
        }

        return $this->most[$remaining->bits];
    }

    /**
     * @return array<int, bool>|null nodes inside the zone that a ball must be shot from; null when anywhere will do
     */
    private function zone(int $ball): ?array
    {
        $zone = $this->constraints->zones[$ball] ?? null;
        if (null !== $zone && !isset($this->zones[$ball])) {
            $nodes = $this->cache->grids->positions->nodes();
            $this->zones[$ball] = array_map(static fn(array $at): bool => $zone->contains($at[0], $at[1]), $nodes);
        }

        return $this->zones[$ball] ?? null;
    }

    /**
     * The chance of a pot with a set of balls on the table.
     *
     * @param float $far distance of the places at which it is worked out exactly, m
     */
    public function potChance(RemainingBalls $remaining, Pot $pot, float $far): NextPotChance
    {
        $key = \sprintf('%d %d %s %.2F', $remaining->bits, $pot->ball, $pot->pocket->value, $far);
        if (!isset($this->chances[$key])) {
            $layout = $this->lying($remaining->balls());
            $this->chances[$key] = new NextPotChance(
                $this->cache->simulator->geometry,
                new PotChance($this->cache->simulator, $layout, $pot, $this->rack->player, $this->cache->windows->among($layout, $pot)),
                $this->pots->option($pot)?->chances,
                $this->pots->about($remaining, $pot->ball),
                $far,
            );
            $this->chances[$key]->learn($this->learnt[$key] ?? []);
        }

        return $this->chances[$key];
    }

    /**
     * What is known of the chances of pots, for another process that goes on with the same values.
     *
     * @return array<string, array<int, float>>
     */
    public function corrections(): array
    {
        return array_map(static fn(NextPotChance $chance): array => $chance->corrections(), $this->chances);
    }

    /**
     * Takes over what another process found out.
     *
     * @param array<string, array<int, float>> $corrections
     */
    public function learn(array $corrections): void
    {
        foreach ($corrections as $key => $known) {
            if (isset($this->chances[$key])) {
                $this->chances[$key]->learn($known);
            } else {
                $this->learnt[$key] = $known + ($this->learnt[$key] ?? []);
            }
        }
    }

    /** Where the rest can be run out from with at least so much. */
    public function region(RemainingBalls $remaining, float $level): Region
    {
        $values = $this->values($remaining);
        if ([] === $values) {
            return new Region([]);
        }
        $grid = $this->cache->grids->positions;
        $xs = array_map(static fn(int $i): float => $grid->left + $i * $grid->dx, range(0, CueBallGrid::LONG));
        $ys = array_map(static fn(int $j): float => $grid->left + $j * $grid->dy, range(0, CueBallGrid::ACROSS));

        return new Region(Contour::rings($xs, $ys, array_chunk(array_values($values), CueBallGrid::ACROSS + 1), $level));
    }

    private function allowed(RemainingBalls $remaining): bool
    {
        return null === $this->lattice || isset($this->lattice[$remaining->balls()]);
    }

    private function work(RemainingBalls $remaining): void
    {
        if ($this->isOver($remaining)) {
            $this->values[$remaining->bits] = $this->forBreak && $this->game->endsWithBreakShot() ? BreakPositions::values(
                $this->cache,
                $this->game,
                $this->pots,
                $this->layout,
                $remaining,
            ) : [];

            return;
        }
        $values = array_fill(0, CueBallGrid::NODES, 0.0);
        $pace = ContinuationValues::DISTANCES * ArrivalGrid::CUTS;
        foreach ($this->due($remaining) as $ball) {
            $after = $remaining->without($ball);
            if (!$this->allowed($after)) {
                continue;
            }
            $about = $this->pots->about($remaining, $ball);
            $zone = $this->zone($ball);
            foreach ($this->pots->of($ball) as $option) {
                $chanceGrid = $option->chances;
                [$soft, $firm, $hard] = $chanceGrid->chances($about);
                $onward = $this->continuations->afterPot($this, $after, $option->pot);
                $blocked = $chanceGrid->blocked;
                $cuts = $chanceGrid->cut;
                $parts = $chanceGrid->part;
                $distances = $chanceGrid->distance;
                foreach ($chanceGrid->nodes as $n => $node) {
                    if (0 !== ($blocked[$n] & $about) || (null !== $zone && !$zone[$node])) {
                        continue;
                    }
                    $at = $distances[$n] * ArrivalGrid::CUTS + $cuts[$n];
                    $part = $parts[$n];
                    $candidate = $soft[$n] * ($onward[$at] + ($onward[$at + 1] - $onward[$at]) * $part);
                    $at += $pace;
                    $other = $firm[$n] * ($onward[$at] + ($onward[$at + 1] - $onward[$at]) * $part);
                    $candidate = $other > $candidate ? $other : $candidate;
                    $at += $pace;
                    $other = $hard[$n] * ($onward[$at] + ($onward[$at + 1] - $onward[$at]) * $part);
                    $candidate = $other > $candidate ? $other : $candidate;
                    if ($candidate > $values[$node]) {
                        $values[$node] = $candidate;
                    }
                }
            }
        }
        if (0.0 === max($values)) {
            $after = array_map(
                fn(int $ball): float => $this->meanValue($remaining->without($ball)),
                array_filter($this->due($remaining), fn(int $ball): bool => $this->allowed($remaining->without($ball))),
            );
            $values = array_fill(0, CueBallGrid::NODES, [] === $after ? 0.0 : self::LUCK * max($after));
        }
        $this->values[$remaining->bits] = $this->openedByTheWay($remaining, $values);
    }

    /**
     * Values raised by what it is worth that clusters open without having been aimed at.
     *
     * @param array<int, float> $values by node
     *
     * @return array<int, float>
     */
    private function openedByTheWay(RemainingBalls $remaining, array $values): array
    {
        $clustered = 0 !== ($this->pots->cluster & $remaining->balls());
        if (!$clustered || $remaining->areClustersBroken() || !$this->game->endsWithBreakShot()) {
            return $values;
        }
        $broken = $this->values($remaining->withClustersBroken());
        foreach ($values as $node => $value) {
            $values[$node] = $value + self::BY_THE_WAY * max(0.0, $broken[$node] - $value);
        }

        return $values;
    }
}
