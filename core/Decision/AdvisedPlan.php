<?php

declare(strict_types=1);

namespace ZigLane\Core\Decision;

use ZigLane\Core\Planning\Plan;

/**
 * A plan with the advice to follow it or to play safe.
 */
final readonly class AdvisedPlan
{
    /**
     * @param Advice|null $advice  null while there is none, and where nothing is to be decided
     * @param Ending|null $ending  what to play where the plan breaks off after some shots; null where it goes to the end
     */
    public function __construct(public Plan $plan, public ?Advice $advice = null, public ?Ending $ending = null) {}
}
