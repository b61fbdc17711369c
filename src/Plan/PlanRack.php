<?php

declare(strict_types=1);

namespace ZigLane\App\Plan;

/**
 * To the workers: this plan's turn has come.
 */
final readonly class PlanRack
{
    public function __construct(public int $plan) {}
}
