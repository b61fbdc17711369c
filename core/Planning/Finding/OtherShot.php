<?php

declare(strict_types=1);

namespace ZigLane\Core\Planning\Finding;

use ZigLane\Core\Aiming\Pot;
use ZigLane\Core\Finding;
use ZigLane\Core\Planning\Plan;
use ZigLane\Core\Planning\PlannedShot;
use ZigLane\Core\Routes\RouteChances;

/**
 * What comes closest: another ball first, or the same ball in another pocket.
 */
final readonly class OtherShot implements Finding
{
    /**
     * @param bool $ball whether it is another ball
     * @param float $less chance of running out that it gives up, 0–1
     */
    public function __construct(
        public Pot $pot,
        public bool $ball,
        public RouteChances $chances,
        public float $less,
    ) {}

    /** What another plan begins with, which has at least one shot. */
    public static function begins(Plan $plan, PlannedShot $shot): self
    {
        $first = $plan->shots[0];
        $chances = RouteChances::of($first->chances->pot, $first->chances->position, $plan->runOut);

        return new self($first->pot, $first->pot->ball !== $shot->pot->ball, $chances, $shot->chances->runOut - $plan->runOut);
    }
}
