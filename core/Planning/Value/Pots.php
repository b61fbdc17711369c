<?php

declare(strict_types=1);

namespace ZigLane\Core\Planning\Value;

use ZigLane\Core\Aiming\Pot;
use ZigLane\Core\Equipment\Pocket;
use ZigLane\Core\Games\Game;
use ZigLane\Core\Physics\Layout;
use ZigLane\Core\Planning\PlanConstraints;
use ZigLane\Core\Rack\Rack;

/**
 * The pots that a plan counts on: for every ball its best pockets, with what they need of the table, and the balls that lie so
 * that something has to be moved first.
 *
 * @internal
 */
final class Pots
{
    /** Pockets counted on for each ball; for a first look, and where there are other balls to choose. */
    private const POCKETS = 3;
    private const FEWER = 2;

    /** A pocket with less than this share of the best one's room is not. */
    private const LEAST_ROOM = 0.08;

    /** Balls with less room than this between them lie in a cluster, m. */
    private const NEIGHBOUR = 0.04;

    /** A ball with less room than this (see room()) beside a near neighbour is shut in. */
    private const SHUT = 0.02;

    /** A ball with less room than this lies badly. */
    private const BADLY = 0.06;

    /** @var array<int, list<PotOption>> by ball */
    private array $pots = [];

    /** @var array<int, list<PotChanceGrid>> by ball */
    private array $counted = [];

    /** Balls that only a broken cluster lets go, and those they touch; one bit each. */
    public readonly int $cluster;

    private readonly Game $game;
    private readonly Layout $layout;

    public function __construct(
        private readonly Rack $rack,
        private readonly PlanningCache $cache,
        private readonly bool $fine,
        private readonly PlanConstraints $constraints,
    ) {
        $this->game = $rack->rules();
        $this->layout = $rack->layout;
        $own = $this->game->ownBalls($this->layout);
        $pots = [];
        foreach ($own as $ball) {
            $pocket = $constraints->pockets[$ball] ?? null;
            foreach (null === $pocket ? Pocket::cases() : [$pocket] as $one) {
                $pots[] = new Pot($ball, $one);
            }
        }
        $cache->prepareWindows($this->layout, $pots, PotChanceGrid::ASKED);
        $needed = [];
        foreach ($own as $ball) {
            foreach ($this->counted($ball) as $grid) {
                $needed[] = [$grid->pot, $this->needed($ball)];
            }
        }
        $cache->prepare($this->layout, $needed);
        $this->cluster = $this->clusters();
    }

    /**
     * A ball's pockets, the best first, with their tables.
     *
     * @return list<PotOption>
     */
    public function of(int $ball): array
    {
        return $this->pots[$ball] ??= array_map(
            fn(PotChanceGrid $grid): PotOption => new PotOption(
                $grid->pot,
                $this->cache->transitions($this->layout, $grid->pot),
                $grid,
                $this->layout,
            ),
            $this->counted($ball),
        );
    }

    /** What is sure to be needed of the tables of a ball's pots. */
    private function needed(int $ball): TransitionsNeeded
    {
        $fixed = $this->game->hasFixedOrder();
        $after = $fixed
            ? \count(array_filter($this->game->ownBalls($this->layout), static fn(int $other): bool => $other > $ball))
            : 0;

        return TransitionsNeeded::forPot($this->fine, $fixed, $after);
    }

    /**
     * The pockets of a ball that are counted on, the best first.
     *
     * @return list<PotChanceGrid>
     */
    private function counted(int $ball): array
    {
        if (isset($this->counted[$ball])) {
            return $this->counted[$ball];
        }
        $grids = [];
        foreach (isset($this->constraints->pockets[$ball]) ? [$this->constraints->pockets[$ball]] : Pocket::cases() as $pocket) {
            $grid = new PotChanceGrid($this->cache, $this->layout, new Pot($ball, $pocket), $this->rack->player);
            if ([] !== $grid->nodes) {
                $grids[] = $grid;
            }
        }
        $remaining = $this->remaining($ball);
        $rooms = array_map(static fn(PotChanceGrid $grid): float => $grid->room($remaining), $grids);
        if ([] === array_filter($rooms)) {
            // Others will always be in its way: what it could do without them.
            $rooms = array_map(static fn(PotChanceGrid $grid): float => $grid->room(0), $grids);
        }
        arsort($rooms);
        $most = $this->fine && $this->game->hasFixedOrder() ? self::POCKETS : self::FEWER;
        $least = self::LEAST_ROOM * ([] === $rooms ? 0.0 : max($rooms));
        $enough = [];
        foreach (\array_slice($rooms, 0, $most, true) as $n => $room) {
            if ($room > $least && $room > 0.0 && isset($grids[$n])) {
                $enough[] = $grids[$n];
            }
        }

        return $this->counted[$ball] = $enough;
    }

    /** The tables of one pot; null when it is not counted on. */
    public function option(Pot $pot): ?PotOption
    {
        foreach ($this->of($pot->ball) as $option) {
            if ($option->pot->is($pot)) {
                return $option;
            }
        }

        return null;
    }

    /** Whether a ball is one of a cluster. */
    public function isInCluster(int $ball): bool
    {
        return 0 !== ($this->cluster >> $ball & 1);
    }

    /** Balls that will still be there when a ball's turn comes, whatever the player does. */
    private function remaining(int $ball): int
    {
        $remaining = RemainingBalls::of($this->layout)->bits;
        if ($this->game->hasFixedOrder()) {
            return $remaining & ~((1 << $ball + 1) - 1);
        }
        foreach ($this->game->ownBalls($this->layout) as $own) {
            $remaining &= ~(1 << $own);
        }

        return $remaining;
    }

    /** Balls that will go nowhere unless something is moved, and what keeps them in. */
    private function clusters(): int
    {
        $near = 2 * $this->cache->simulator->ball->radius + self::NEIGHBOUR;
        $remaining = RemainingBalls::of($this->layout)->bits;
        $cluster = 0;
        foreach ($this->game->ownBalls($this->layout) as $ball) {
            $neighbours = $lane = 0;
            foreach ($this->layout->objectBalls() as $other) {
                if ($other !== $ball && $this->layout->ball($ball)->distanceTo($this->layout->ball($other)) < $near) {
                    $neighbours |= 1 << $other;
                }
            }
            $then = $this->remaining($ball);
            $now = $later = 0.0;
            foreach ($this->of($ball) as $option) {
                $now += $option->chances->room($remaining & ~(1 << $ball)) / CueBallGrid::NODES;
                $later += $option->chances->room($then) / CueBallGrid::NODES;
                $lane |= $option->chances->lane;
            }
            if (0.0 === $later || ($now < self::SHUT && 0 !== $neighbours)) {
                $cluster |= 1 << $ball | $neighbours | (0.0 === $later ? $lane & $then : 0);
            }
        }

        return $cluster;
    }

    /** The balls that can hinder one of a set: those of a broken cluster do not hinder each other any more. */
    public function about(RemainingBalls $remaining, int $ball): int
    {
        $broken = $remaining->areClustersBroken() && $this->isInCluster($ball);

        return $remaining->balls() & ~(($broken ? $this->cluster : 0) | 1 << $ball);
    }

    /** Whether a ball goes from little of the table, with the others of a set on it. */
    public function liesBadly(RemainingBalls $remaining, int $ball): bool
    {
        return $this->room($remaining, $ball) < self::BADLY;
    }

    /** From how much of the table a ball can be potted with the others of a set on it: chances summed over places, as a share. */
    public function room(RemainingBalls $remaining, int $ball): float
    {
        $about = $this->about($remaining, $ball);
        $sum = 0.0;
        foreach ($this->of($ball) as $option) {
            $sum += $option->chances->room($about);
        }

        return $sum / CueBallGrid::NODES;
    }

    /** Whether a ball goes somewhere with the others of a set on the table. */
    public function goes(RemainingBalls $remaining, int $ball): bool
    {
        foreach ($this->of($ball) as $option) {
            if ($option->chances->goes($remaining->balls() & ~(1 << $ball))) {
                return true;
            }
        }

        return false;
    }
}
