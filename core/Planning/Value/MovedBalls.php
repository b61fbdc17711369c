<?php

declare(strict_types=1);

namespace ZigLane\Core\Planning\Value;

use ZigLane\Core\Equipment\BallId;
use ZigLane\Core\Geometry\Point;
use ZigLane\Core\Player\Player;
use ZigLane\Core\Rack\Rack;
use ZigLane\Core\Rack\Racking;

/**
 * The value of a state in which balls have been moved: by a sketch of the table as it then lies.
 *
 * @internal
 */
final class MovedBalls
{
    /**
     * How far a later ball's chance is that of the best place: 1 − this · error of speed². Fitted to the state values of eight random
     * layouts of nine balls at each level (docs/planning.md).
     */
    private const UNSTEADY = 8.0;
    private const LEAST = 0.35;

    /** Every so manieth position of the cue ball is looked at to compare sketch and state values. */
    private const COMPARED = 41;

    /** The table before anything was moved. */
    private readonly LayoutSketch $lying;

    /** The table that those are like that were looked at last. */
    private LayoutSketch $base;

    /** @var array<int, array{float, float}|null> where balls lie on it that were moved, m */
    private array $like = [];

    /** @var array<int, float> by remaining balls */
    private array $scales = [];

    public function __construct(private readonly Rack $rack, private readonly PlanningCache $cache)
    {
        $places = $rack->layout->balls;
        unset($places[BallId::CUE]);
        $this->lying = new LayoutSketch($cache->simulator, $rack->player, $places, self::steady($rack->player));
        $this->base = $this->lying;
    }

    /** How far a later ball's chance is that of the best place of the cue ball, 0–1. */
    public static function steady(Player $player): float
    {
        return max(self::LEAST, 1 - self::UNSTEADY * $player->speed ** 2);
    }

    /**
     * How often a cluster opens.
     *
     * @param int $cluster balls, as bits
     */
    public function openings(int $cluster): ClusterOpenings
    {
        return new ClusterOpenings($this->rack, $cluster, $this->lying);
    }

    /**
     * @param ValueFunction                        $values of the table before; not kept, they keep this
     * @param array<int, array{float, float}|null> $moved where they lie now, m; null for one that fell
     * @param Point                                $cue   cue ball
     * @param array<int, array{float, float}|null> $like  a table like this one, as another stroke left it: about the same value, sooner
     */
    public function valueOf(ValueFunction $values, RemainingBalls $remaining, array $moved, Point $cue, array $like = []): float
    {
        $scale = $this->scale($values, $remaining);
        $game = $this->rack->rules();
        $last = $game->lastBall($this->rack->layout);
        if (null !== $last && \array_key_exists($last, $moved) && null === $moved[$last] && !$game->winsByFalling($this->rack->layout)) {
            if ($game->losesOtherwise()) {
                return 0.0;
            }
            $spot = Racking::footSpot($this->cache->simulator);
            $moved[$last] = [$spot->x, $spot->y];
        }
        foreach ($moved as $ball => $place) {
            $remaining = null === $place ? $remaining->without($ball) : $remaining;
        }

        return $scale * $this->sketch($moved, $like)->valueAt($values, $remaining, $cue->x, $cue->y);
    }

    /**
     * A sketch of the table with some balls elsewhere, made from that of a table that is like it.
     *
     * @param array<int, array{float, float}|null> $moved
     * @param array<int, array{float, float}|null> $like
     */
    private function sketch(array $moved, array $like): LayoutSketch
    {
        if ($like !== $this->like) {
            $this->base = [] === $like ? $this->lying : $this->lying->moving(self::places($like));
            $this->like = $like;
        }
        foreach (array_filter($like) as $ball => $at) {
            if (!\array_key_exists($ball, $moved)) {
                $place = $this->rack->layout->ball($ball);
                $moved[$ball] = [$place->x, $place->y];
            } elseif ($at === $moved[$ball]) {
                unset($moved[$ball]);
            }
        }
        $places = self::places($moved);

        return [] === $places ? $this->base : $this->base->moving($places);
    }

    /**
     * @param array<int, array{float, float}|null> $moved
     *
     * @return array<int, Point>
     */
    private static function places(array $moved): array
    {
        return array_map(static fn(array $at): Point => new Point(...$at), array_filter($moved));
    }

    /**
     * By how much a sketch of the table as it lies is above the state values: a moved ball must not look better for being sketched.
     * Not more than 1: where balls go nowhere as they lie, the state values are below what moving them brings.
     */
    private function scale(ValueFunction $values, RemainingBalls $remaining): float
    {
        if (!isset($this->scales[$remaining->bits])) {
            $known = $values->values($remaining);
            $sketched = $worked = 0.0;
            foreach ($this->cache->grids->positions->nodes() as $node => [$x, $y]) {
                if (0 === $node % self::COMPARED && isset($known[$node])) {
                    $worked += $known[$node];
                    $sketched += $this->lying->valueAt($values, $remaining, $x, $y);
                }
            }
            $this->scales[$remaining->bits] = $sketched > 0.0 && $worked > 0.0 ? min(1.0, $worked / $sketched) : 1.0;
        }

        return $this->scales[$remaining->bits];
    }
}
