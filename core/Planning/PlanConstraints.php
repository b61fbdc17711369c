<?php

declare(strict_types=1);

namespace ZigLane\Core\Planning;

use ZigLane\Core\Equipment\Pocket;
use ZigLane\Core\Geometry\Region;
use ZigLane\Core\Planning\Value\RemainingBalls;

/**
 * What the player has settled and the plan goes round.
 */
final readonly class PlanConstraints
{
    /**
     * @param array<int, Pocket> $pockets where a ball must go, by ball
     * @param list<int>          $order   balls that must be potted in this order; others may come between
     * @param array<int, Region> $zones   where the cue ball must lie to shoot a ball, by ball
     * @param int                $keep    so many of the rack's own legs are played first, as they stand
     */
    public function __construct(public array $pockets = [], public array $order = [], public array $zones = [], public int $keep = 0) {}

    /** Whether a ball may be shot from a place, m. */
    public function allowsFrom(int $ball, float $x, float $y): bool
    {
        return !isset($this->zones[$ball]) || $this->zones[$ball]->contains($x, $y);
    }

    /** Whether nothing is pinned. */
    public function isEmpty(): bool
    {
        return [] === $this->pockets && [] === $this->order && [] === $this->zones && 0 === $this->keep;
    }

    /** Whether a ball may be shot while others are on the table. */
    public function allows(int $ball, RemainingBalls $remaining): bool
    {
        foreach ($this->order as $other) {
            if ($other === $ball) {
                return true;
            }
            if ($remaining->has($other)) {
                return !\in_array($ball, $this->order, true);
            }
        }

        return true;
    }
}
