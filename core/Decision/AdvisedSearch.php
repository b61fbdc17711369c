<?php

declare(strict_types=1);

namespace ZigLane\Core\Decision;

use ZigLane\Core\Equipment\BallId;
use ZigLane\Core\Parallel\Processes;
use ZigLane\Core\Planning\Deadline;
use ZigLane\Core\Planning\Plan;
use ZigLane\Core\Planning\PlanConstraints;
use ZigLane\Core\Planning\PlanSearch;
use ZigLane\Core\Potting\ErrorSamples;
use ZigLane\Core\Rack\Rack;

/**
 * Plans a rack, and weighs the plan against playing safe where the rack names an opponent, or where no ball goes: then against one who
 * plays as well.
 */
final readonly class AdvisedSearch
{
    /** @param Processes|null $processes that share the work; this one alone when null */
    public function __construct(
        private Rack $rack,
        private PlanConstraints $constraints = new PlanConstraints(),
        private ?Deadline $deadline = null,
        private ErrorSamples $errors = new ErrorSamples(),
        private ?Processes $processes = null,
    ) {}

    /**
     * @return \Generator<int, AdvisedPlan> the last one is the best; at least one
     */
    public function plans(): \Generator
    {
        $search = new PlanSearch($this->rack, $this->constraints, $this->deadline, $this->errors, $this->processes);
        $advice = null;
        $last = null;
        foreach ($search->plans() as $n => $plan) {
            $last = $plan;
            yield new AdvisedPlan($plan, $advice);
            if (0 === $n && $this->isToDecide($plan)) {
                $advice = $this->advice($plan, $search, ShotBudget::quick());
                yield new AdvisedPlan($plan, $advice);
            }
        }
        if (null !== $last && $this->isToDecide($last)) {
            yield new AdvisedPlan($last, $this->advice($last, $search, ShotBudget::settled()));
        }
    }

    /** Straight pool is played for points; shots that are kept are decided for already. */
    private function isToDecide(Plan $plan): bool
    {
        $rules = $plan->rack->rules();

        return (null !== $this->rack->opponent || [] === $plan->shots)
            && !$rules->endsWithBreakShot()
            && !$rules->isTableOpen()
            && 0 === $this->constraints->keep
            && $plan->rack->layout->has(BallId::CUE)
            && [] !== $rules->legalTargets($plan->rack->layout);
    }

    private function advice(Plan $plan, PlanSearch $search, ShotBudget $budget): ?Advice
    {
        $planner = $search->planner();
        if (null === $planner) {
            return null;
        }
        $rack = $plan->rack->withBallInHand(false);
        $adviser = new Adviser($rack, $this->rack->opponent ?? $rack->player, $planner, $budget, $this->errors, $this->processes);
        $first = $plan->shots[0] ?? null;

        return $adviser->advise(
            $first?->played($rack)?->stroke(),
            $first?->pot,
            $plan->runOut,
        );
    }
}
