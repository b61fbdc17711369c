<?php

declare(strict_types=1);

namespace ZigLane\Core\Choice;

use ZigLane\Core\Aiming\Pot;
use ZigLane\Core\Equipment\BallId;
use ZigLane\Core\Geometry\Point;
use ZigLane\Core\Line\LegOutcome;
use ZigLane\Core\Line\LinePlayer;
use ZigLane\Core\Parallel\Processes;
use ZigLane\Core\Physics\Stroke;
use ZigLane\Core\Planning\Plan;
use ZigLane\Core\Planning\PlanConstraints;
use ZigLane\Core\Planning\PlannedShot;
use ZigLane\Core\Planning\Planner;
use ZigLane\Core\Planning\PlanSearch;
use ZigLane\Core\Planning\SearchBudget;
use ZigLane\Core\Potting\ErrorSamples;
use ZigLane\Core\Potting\NoPot;
use ZigLane\Core\Potting\PotChance;
use ZigLane\Core\Rack\Rack;
use ZigLane\Core\Routes\Route;
use ZigLane\Core\Routes\RouteChances;
use ZigLane\Core\Routes\RouteSearch;

/**
 * Plans a rack and says what a player's own choice would be worth in its place: with the same values, under the same errors.
 */
final class ChoiceJudge
{
    /** Parts of the pocket that are tried for a stroke: nobody says which they aim at. The middle first. */
    private const PARTS = [0.0, -0.45, 0.45, -0.85, 0.85];

    private readonly PlanSearch $search;
    private ?Plan $plan = null;

    /**
     * @param Rack           $rack   cue ball on the table; in eight-ball with the group
     * @param ErrorSamples   $errors that strokes are judged under
     * @param Processes|null $processes that share the work of the plan; this one alone when null
     */
    public function __construct(
        private readonly Rack $rack,
        private readonly ErrorSamples $errors = new ErrorSamples(),
        ?Processes $processes = null,
    ) {
        $this->search = new PlanSearch($rack, errors: $errors, processes: $processes);
    }

    /**
     * @return \Generator<int, Plan> better and better
     */
    public function plans(): \Generator
    {
        foreach ($this->search->plans() as $plan) {
            yield $this->plan = $plan;
        }
    }

    /** What a choice is worth beside the plan, which is worked out first where plans() was not. */
    public function judge(Choice $choice): ChoiceWorth
    {
        $plan = $this->plan ?? $this->search->plan();
        $budget = SearchBudget::settled($this->rack->rules());
        $planner = $this->search->planner() ?? new Planner($this->rack, $budget, errors: $this->errors);
        $taken = $plan->shots[0] ?? null;
        $scale = null === $taken ? 1.0 : $this->scale($planner, $plan, $taken);
        $worth = static fn(float $value): float => min(1.0, $scale * $value);

        $with = [ChoicePart::Pot->value => $worth($planner->way($this->rack, $choice->pot, $budget)->chances->value ?? 0.0)];
        if ([] !== $choice->order) {
            $planner = new Planner($this->rack, $budget, new PlanConstraints(order: $choice->order), $planner, $this->errors);
            $with[ChoicePart::Order->value] = $worth($planner->way($this->rack, $choice->pot, $budget)->chances->value ?? 0.0);
        }
        $there = $this->toTheSpot($planner, $choice);
        $atSpot = null === $there ? null : $planner->chances($this->rack, $choice->pot, $there->shot, $budget);
        $with[ChoicePart::Spot->value] = $worth($atSpot->value ?? 0.0);
        [$played, $leg, $offset] = $this->asSaid($planner, $choice);
        $with[ChoicePart::Stroke->value] = $worth($played->value ?? 0.0);
        $after = $leg->after();

        return new ChoiceWorth(
            $plan->runOut,
            $with,
            $played,
            null !== $after && $after->has(BallId::CUE) ? $after->ball(BallId::CUE) : null,
            null === $there ? null : $there->stop->distanceTo($choice->spot),
            $this->onward($planner, $choice->pot, $choice->spot),
            null === $taken ? null : $this->onward($planner, $taken->pot, $taken->rest),
            $there?->chances,
            $offset,
            $this->why($choice),
        );
    }

    /**
     * The stroke as it was said, into the part of the pocket that suits it best.
     *
     * @return array{RouteChances|null, LegOutcome, float} null where it cannot be played; the part, −1 … 1
     */
    private function asSaid(Planner $planner, Choice $choice): array
    {
        $player = LinePlayer::for($this->rack);
        $budget = SearchBudget::settled($this->rack->rules());
        $best = null;
        foreach (self::PARTS as $offset) {
            $leg = $player->leg(1, $choice->spec($offset), $this->rack->layout, $this->rack->rules());
            $chances = null === $leg->shot ? null : $planner->chances($this->rack, $choice->pot, $leg->shot, $budget);
            if (null === $best || ($chances->value ?? -1.0) > ($best[0]->value ?? -1.0)) {
                $best = [$chances, $leg, $offset];
            }
        }

        return $best;
    }

    /** Why there is no such pot; null where there is. */
    private function why(Choice $choice): ?NoPot
    {
        $cue = $this->rack->layout->ball(BallId::CUE);
        $pot = new PotChance($this->rack->simulator(), $this->rack->layout, $choice->pot, $this->rack->player);
        $line = $pot->line($cue, new Stroke($pot->readingSpeed($cue->x, $cue->y), 0.0, 0.0));

        return $line instanceof NoPot ? $line : null;
    }

    /** What the values of strokes are multiplied by to stand beside the plan's chance, which was mended by a second look. */
    private function scale(Planner $planner, Plan $plan, PlannedShot $taken): float
    {
        $shot = $taken->played($this->rack);
        $budget = SearchBudget::settled($this->rack->rules());
        $rough = null === $shot ? 0.0 : $planner->chances($this->rack, $taken->pot, $shot, $budget)->value;

        return $rough > 0.0 ? $plan->runOut / $rough : 1.0;
    }

    /** Chance of the next pot from a place, 0–1. */
    private function onward(Planner $planner, Pot $pot, Point $place): float
    {
        return $planner->evaluator($this->rack, $pot, SearchBudget::settled($this->rack->rules()))->chanceAt($place->x, $place->y);
    }

    /** The stroke of the pot that comes nearest to the spot most often; null when none pots the ball. */
    private function toTheSpot(Planner $planner, Choice $choice): ?Route
    {
        $judged = $planner->evaluator($this->rack, $choice->pot, SearchBudget::later());
        $search = new RouteSearch($this->rack, $choice->pot, new SpotEvaluator($judged, $choice->spot), $this->errors);

        return $search->settled()[0] ?? null;
    }
}
