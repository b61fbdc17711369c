<?php

declare(strict_types=1);

namespace ZigLane\Core\Decision;

use ZigLane\Core\Planning\Plan;

/**
 * A plan with the advice to follow it or to play safe.
 */
final readonly class AdvisedPlan
{
    /** @param Advice|null $advice null while there is none, and where nothing is to be decided */
    public function __construct(public Plan $plan, public ?Advice $advice = null) {}
}
