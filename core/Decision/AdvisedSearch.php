<?php

declare(strict_types=1);

namespace ZigLane\Core\Decision;

use ZigLane\Core\Equipment\BallId;
use ZigLane\Core\Line\LinePlayer;
use ZigLane\Core\Line\RackAfter;
use ZigLane\Core\Parallel\Processes;
use ZigLane\Core\Planning\Deadline;
use ZigLane\Core\Planning\Plan;
use ZigLane\Core\Planning\PlanConstraints;
use ZigLane\Core\Planning\Planner;
use ZigLane\Core\Planning\PlanSearch;
use ZigLane\Core\Planning\SearchBudget;
use ZigLane\Core\Player\Player;
use ZigLane\Core\Potting\ErrorSamples;
use ZigLane\Core\Rack\Rack;

/**
 * Plans a rack, and weighs the plan against playing safe where the rack names an opponent, or where no ball goes: then against one who
 * plays as well. Where it breaks off after some shots it says what to play from there.
 */
final readonly class AdvisedSearch
{
    /** So many shots that are no plain pots are part of a line: each makes what comes after it less likely to be seen. */
    private const SPECIALS = 2;

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
        $others = new Planner($this->rack->withPlayer($this->opponent()), SearchBudget::quick());
        $advice = null;
        $last = null;
        $placed = null;
        foreach ($search->plans() as $n => $plan) {
            $placed ??= $this->placed($plan, $search, $others);
            $plan = null === $placed || [] !== $plan->shots ? $plan : $plan->from($placed);
            $last = $plan;
            yield new AdvisedPlan($plan, $advice);
            if (0 === $n && $this->isToDecide($plan)) {
                $advice = $this->advice($plan, $search, $others, ShotBudget::quick());
                yield new AdvisedPlan($plan, $advice);
            }
        }
        if (null === $last) {
            return;
        }
        $advice = $this->isToDecide($last) ? $this->advice($last, $search, $others, ShotBudget::settled()) : null;
        $planner = $search->planner();
        $ending = null;
        for ($specials = 0; null !== $planner; ++$specials) {
            $ending = $this->ending($last, $planner, $others);
            $line = $specials < self::SPECIALS ? $this->special($last, $advice, $ending, $planner) : null;
            foreach ($line?->plans($this->deadline, $this->errors, $this->processes) ?? [] as $plan) {
                yield new AdvisedPlan($last = $plan, $advice = $advice?->asPlanned());
            }
            if (null === $line) {
                break;
            }
        }
        if (null !== $advice || null !== $ending) {
            yield new AdvisedPlan($last, $advice, $ending);
        }
    }

    /** The line by a shot that the planner does not know, where that is advised; null where none is, or it goes nowhere. */
    private function special(Plan $plan, ?Advice $advice, ?Ending $ending, Planner $planner): ?SpecialLine
    {
        if (!$this->constraints->isEmpty()) {
            // What is pinned is planned round with plain pots.
            return null;
        }
        $instead = [] === $plan->shots ? null : $plan;
        if (null !== $advice && (null === $instead || ($advice->another && OptionKind::Go === $advice->choice))) {
            $before = new Plan($this->asked($plan)->rack, [], 0.0, null);
            $tried = $advice->chosen();
            $rack = $advice->rack;
        } elseif (null !== $ending) {
            [$before, $tried, $rack, $instead] = [$plan, $ending->advice->chosen(), $ending->rack, null];
        } else {
            $may = null === $advice && $this->maySurprise($plan);

            return $may ? SpecialLine::better($this->asked($plan), $planner, $this->errors, $this->processes) : null;
        }

        if (null === $tried || OptionKind::Safe === $tried->chances->kind()) {
            return null;
        }
        $line = SpecialLine::of($before, $rack, $tried, $planner, $this->errors);

        return null === $instead ? $line : $line?->instead($instead, $advice);
    }

    /** A plan as it was asked for: on an open table no group is taken. */
    private function asked(Plan $plan): Plan
    {
        return $plan->from($plan->rack->withGroup($this->rack->group));
    }

    /** The rack with the ball in hand put down where most can be made of it, when nothing goes; null where something does. */
    private function placed(Plan $plan, PlanSearch $search, Planner $others): ?Rack
    {
        $planner = $search->planner();
        if ([] !== $plan->shots || !$this->rack->ballInHand || !$this->isToDecide($plan) || null === $planner) {
            return null;
        }
        $rack = $this->asked($plan)->rack->withBallInHand(true);
        $contest = Contest::of($rack, $this->opponent(), $planner, $others);

        return (new PlaceInHand($rack, $contest, $this->errors, $this->processes))->best();
    }

    /** Whether something else than a plain pot may run a rack out more often that nobody contests. */
    private function maySurprise(Plan $plan): bool
    {
        return !$plan->rack->rules()->endsWithBreakShot()
            && null === $this->deadline
            && [] !== $plan->shots
            && $plan->shots[0]->spec->intent->isPlain();
    }

    /** The best that can be played where the plan breaks off after some shots. */
    private function ending(Plan $plan, Planner $planner, Planner $others): ?Ending
    {
        if (null === $plan->stopped || [] === $plan->shots || $plan->rack->rules()->endsWithBreakShot()) {
            return null;
        }
        $line = $plan->line();
        $legs = LinePlayer::for($line)->play($line);
        $rack = RackAfter::legs($line, $legs);
        $ends = $legs[\count($legs) - 1]->after();
        if (null === $ends || !$ends->has(BallId::CUE) || [] === $rack->rules()->legalTargets($rack->layout)) {
            return null;
        }
        $adviser = new Adviser($rack, $this->opponent(), $planner, ShotBudget::season(), $this->errors, $this->processes, $others);

        return new Ending($rack, $adviser->advise(null, null, 0.0));
    }

    /** Who is played against; one who plays as well where nobody is named. */
    private function opponent(): Player
    {
        return $this->rack->opponent ?? $this->rack->player;
    }

    /** Straight pool is played for points; shots that are kept are decided for already. */
    private function isToDecide(Plan $plan): bool
    {
        $rules = $plan->rack->rules();

        return (null !== $this->rack->opponent || [] === $plan->shots)
            && !$rules->endsWithBreakShot()
            && 0 === $this->constraints->keep
            && $plan->rack->layout->has(BallId::CUE)
            && [] !== $rules->legalTargets($plan->rack->layout);
    }

    private function advice(Plan $plan, PlanSearch $search, Planner $others, ShotBudget $budget): ?Advice
    {
        $planner = $search->planner();
        if (null === $planner) {
            return null;
        }
        $rack = $this->asked($plan)->rack->withBallInHand(false);
        $adviser = new Adviser($rack, $this->opponent(), $planner, $budget, $this->errors, $this->processes, $others);
        $first = $plan->shots[0] ?? null;

        return $adviser->advise(
            $first?->played($rack)?->stroke(),
            $first?->pot,
            $plan->runOut,
        );
    }
}
