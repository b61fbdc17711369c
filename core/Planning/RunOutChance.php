<?php

declare(strict_types=1);

namespace ZigLane\Core\Planning;

use ZigLane\Core\Equipment\BallId;
use ZigLane\Core\Geometry\Region;
use ZigLane\Core\Physics\Layout;
use ZigLane\Core\Planning\Value\RemainingBalls;
use ZigLane\Core\Planning\Value\StateValues;
use ZigLane\Core\Rack\Rack;

/**
 * How likely a player is to run out from any table that a rack may come to: by state values where the balls lie as they did, by a sketch
 * of the table where some were moved. About a millisecond a table.
 */
final class RunOutChance
{
    /** A ball moved by less than this lies as it did, m. */
    private const STILL = 0.01;

    private readonly StateValues $values;
    private readonly RemainingBalls $balls;

    /** The table asked for last: what a stroke is worth and what it leaves are asked one after the other. */
    private ?Layout $last = null;
    private float $chance = 0.0;

    /** @var array<int, array{float, float}|null> see moved(): of the table that those asked for are like */
    private array $like = [];

    /** @param Rack $rack with the player, and the group where the game has groups */
    public function __construct(public readonly Rack $rack, ?Planner $planner = null)
    {
        $this->values = ($planner ?? new Planner($rack, SearchBudget::quick()))->values->of($rack);
        $this->balls = RemainingBalls::of($rack->layout);
        $this->values->values($this->balls);
    }

    /** The same for tables that strokes from this one leave: sooner, where balls lie elsewhere than in the rack. */
    public function near(Layout $layout): self
    {
        $chance = clone $this;
        $chance->like = $this->moved($layout);
        $chance->last = null;

        return $chance;
    }

    /** From where the cue ball lies, 0–1. */
    public function at(Layout $layout): float
    {
        if ($layout !== $this->last) {
            $this->chance = $this->chance($layout);
            $this->last = $layout;
        }

        return $this->chance;
    }

    private function chance(Layout $layout): float
    {
        $cue = $layout->ball(BallId::CUE);
        $moved = $this->moved($layout);
        $left = $this->balls;
        foreach (array_keys($moved) as $ball) {
            $left = $left->without($ball);
        }
        if ([] === array_filter($moved) && $this->values->knows($left) && !$this->values->isOver($left)) {
            return $this->values->valueAt($left, $cue->x, $cue->y);
        }

        return $this->values->moved->valueOf($this->values, $this->balls, $moved, $cue, $this->like);
    }

    /** With the ball in hand, where the balls lie about as they did, 0–1. */
    public function inHand(Layout $layout): float
    {
        return $this->values->highest($this->left($layout));
    }

    /** From anywhere, on average, 0–1. */
    public function mean(Layout $layout): float
    {
        return $this->values->meanValue($this->left($layout));
    }

    /** Where the cue ball must lie for so much, 0–1, where the balls lie about as they did. */
    public function region(Layout $layout, float $least): Region
    {
        return $this->values->region($this->left($layout), $least);
    }

    /**
     * How likely the rest is run out on average, ball by ball: the last one alone, the last two, and so on to all of them, 0–1. Balls go in
     * the order that leaves most.
     *
     * @param RemainingBalls $left as left() gives it
     *
     * @return non-empty-list<float>
     */
    public function onTheWay(RemainingBalls $left): array
    {
        $means = [$this->values->meanValue($left)];
        while (null !== ($next = $this->after($left)) && !$this->values->isOver($next)) {
            array_unshift($means, $this->values->meanValue($next));
            $left = $next;
        }

        return $means;
    }

    /** With the ball gone that leaves most; null when none can. */
    private function after(RemainingBalls $left): ?RemainingBalls
    {
        $best = null;
        $most = -1.0;
        foreach ($this->values->due($left) as $ball) {
            $after = $left->without($ball);
            $mean = $this->values->knows($after) ? $this->values->meanValue($after) : -1.0;
            [$best, $most] = $mean > $most ? [$after, $mean] : [$best, $most];
        }

        return $best;
    }

    /** The balls of the rack that are left, as far as state values are known for them. */
    public function left(Layout $layout): RemainingBalls
    {
        $left = RemainingBalls::these(array_intersect($this->rack->layout->objectBalls(), $layout->objectBalls()));

        return $this->values->knows($left) && !$this->values->isOver($left) ? $left : $this->balls;
    }

    /**
     * @return array<int, array{float, float}|null> where balls lie that were moved, m; null for those that are gone
     */
    private function moved(Layout $layout): array
    {
        $moved = [];
        foreach ($this->rack->layout->objectBalls() as $ball) {
            $place = $layout->has($ball) ? $layout->ball($ball) : null;
            if (null === $place || $place->distanceTo($this->rack->layout->ball($ball)) > self::STILL) {
                $moved[$ball] = null === $place ? null : [$place->x, $place->y];
            }
        }

        return $moved;
    }
}
