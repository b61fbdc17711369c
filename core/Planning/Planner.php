<?php

declare(strict_types=1);

namespace ZigLane\Core\Planning;

use ZigLane\Core\Aiming\Pot;
use ZigLane\Core\Equipment\BallId;
use ZigLane\Core\Games\Group;
use ZigLane\Core\Physics\Layout;
use ZigLane\Core\Physics\Simulator;
use ZigLane\Core\Physics\Stroke;
use ZigLane\Core\Planning\Value\PlanningCache;
use ZigLane\Core\Planning\Value\PotApproach;
use ZigLane\Core\Planning\Value\RemainingBalls;
use ZigLane\Core\Planning\Value\StateValues;
use ZigLane\Core\Planning\Value\StrokeProposals;
use ZigLane\Core\Planning\Value\ValuedPot;
use ZigLane\Core\Potting\ErrorSamples;
use ZigLane\Core\Potting\PotChance;
use ZigLane\Core\Rack\Rack;
use ZigLane\Core\Reading\FromHere;
use ZigLane\Core\Routes\Route;
use ZigLane\Core\Routes\RouteSearch;

/**
 * Chooses shots by the chance to run out: state values are worked out backward (StateValues), then strokes into the
 * good ones are searched and judged by playing them with errors. Made for one table, cue and player; keeps its tables from
 * shot to shot.
 */
final class Planner
{
    /** A candidate with a rough value of less than this share of the best is not looked into. */
    private const NEAR = 0.55;

    /** Strokes of a pot that its refinement begins with. */
    private const SEEDS = 4;

    /** Ordinary strokes: times the speed of the reading stroke, height of the tip (radii). */
    private const ORDINARY_SPEEDS = [0.75, 1.0, 1.4];
    private const ORDINARY_HEIGHTS = [-0.35, 0.0, 0.28];

    /** A group with less than this share of the other's value is not looked into. */
    private const NEAR_GROUP = 0.8;

    private readonly Simulator $simulator;
    private readonly PlanningCache $cache;

    /** State values for the racks that the plan goes through. */
    public readonly RackValues $values;

    /** @var array<string, float> by group */
    private array $groups = [];

    public function __construct(
        Rack $rack,
        private readonly SearchBudget $budget,
        private readonly PlanConstraints $constraints = new PlanConstraints(),
        ?self $other = null,
        private readonly ErrorSamples $errors = new ErrorSamples(),
    ) {
        $this->simulator = $rack->simulator();
        $this->cache = null === $other ? new PlanningCache($this->simulator, $rack->player) : $other->cache;
        $this->values = new RackValues($this->simulator, $this->cache, $budget, $constraints, $other?->values);
    }

    /**
     * The best shot; null when there is none.
     *
     * @param Rack              $rack   with the cue ball on the table; in eight-ball the group must be known
     * @param SearchBudget|null $budget for this shot, when it differs
     */
    public function next(Rack $rack, ?SearchBudget $budget = null): ?ChosenShot
    {
        $budget ??= $this->budget;
        $found = [];
        foreach ($this->likelyPots($rack, $budget->choices) as $pot) {
            $found[] = $this->search($rack, $pot, $this->strokes($rack, $pot, $budget), $budget);
        }
        $found = array_values(array_filter([] === array_filter($found) ? [$this->anyPot($rack, $budget)] : $found));
        usort($found, static fn(SearchedPot $a, SearchedPot $b): int => $b->best()->chances->value <=> $a->best()->chances->value);
        $found = $this->refined($found, $budget);
        $routes = array_merge(...array_map(static fn(SearchedPot $s): array => $s->routes, $found));
        if ([] === $routes) {
            return null;
        }
        usort(
            $routes,
            static fn(Route $a, Route $b): int => [$b->chances->tries, $b->chances->value] <=> [$a->chances->tries, $a->chances->value],
        );
        $chosen = PlainestRoute::among($routes, $budget->steady ? $found : null);

        return new ChosenShot(
            $chosen,
            $this->values->of($rack),
            RemainingBalls::of($rack->layout),
            array_values(array_filter($routes, static fn(Route $r): bool => $r !== $chosen)),
        );
    }

    /**
     * The pots that are worth a closer look, the best first.
     *
     * @return list<Pot>
     */
    private function likelyPots(Rack $rack, int $most): array
    {
        $cue = $rack->layout->ball(BallId::CUE);
        $proposals = new StrokeProposals($this->values->of($rack));
        $valued = $proposals->candidates(RemainingBalls::of($rack->layout), $cue->x, $cue->y, lies: true);
        $near = array_filter($valued, static fn(ValuedPot $v): bool => $v->value >= self::NEAR * $valued[0]->value);

        return array_map(static fn(ValuedPot $v): Pot => $v->pot, \array_slice(array_values($near), 0, $most));
    }

    /** Where the rough look finds nothing that works, whatever can be potted at all, with ordinary strokes. */
    private function anyPot(Rack $rack, SearchBudget $budget): ?SearchedPot
    {
        $remaining = RemainingBalls::of($rack->layout);
        foreach (FromHere::now($rack, $rack->layout->ball(BallId::CUE)) as $from) {
            foreach ($this->constraints->allows($from->ball, $remaining) ? $from->pots : [] as [$pocket, $read]) {
                if (($this->constraints->pockets[$from->ball] ?? $pocket) !== $pocket) {
                    continue;
                }
                $one = $this->search($rack, new Pot($from->ball, $pocket), self::ordinary($read->speed), $budget);
                if (null !== $one) {
                    return $one;
                }
            }
        }

        return null;
    }

    /**
     * Refines the strokes of the best pots.
     *
     * @param list<SearchedPot> $found the best first
     *
     * @return list<SearchedPot>
     */
    private function refined(array $found, SearchBudget $budget): array
    {
        foreach ($found as $n => $searched) {
            if ($n < $budget->refined && $searched->best()->chances->value > self::NEAR * $found[0]->best()->chances->value) {
                $seeds = array_map(
                    static fn(Route $r): Stroke => new Stroke($r->shot->speed, $r->shot->tip->side, $r->shot->tip->height),
                    \array_slice($searched->routes, 0, self::SEEDS),
                );
                $refined[] = $searched->again($seeds, min(2, $budget->refined + 1), $budget->rounds, $budget->tries);
            } else {
                $refined[] = $searched;
            }
        }

        return $refined ?? [];
    }

    /**
     * @param list<Stroke> $strokes
     */
    private function search(Rack $rack, Pot $pot, array $strokes, SearchBudget $budget): ?SearchedPot
    {
        if ([] === $strokes) {
            return null;
        }
        $evaluator = new RunOutEvaluator(
            $rack,
            $this->values->of($rack),
            $pot->ball,
            $this->leads($rack, $pot),
            $budget->refined > 0,
        );
        $search = new RouteSearch($rack, $pot, $evaluator, $this->errors);
        $routes = $search->from($strokes, 0, tries: $budget->refined > 0 ? RouteSearch::FEW : $budget->tries);

        return [] === $routes ? null : new SearchedPot($search, $routes);
    }

    /**
     * @param float $easy speed of the reading stroke, m/s
     *
     * @return list<Stroke>
     */
    private static function ordinary(float $easy): array
    {
        $strokes = [];
        foreach (self::ORDINARY_SPEEDS as $times) {
            foreach (self::ORDINARY_HEIGHTS as $height) {
                $strokes[] = new Stroke($easy * $times, 0.0, $height);
            }
        }

        return $strokes;
    }

    /**
     * The rack with the cue ball put down and, on an open table, a group taken: as the best plan begins.
     *
     * @return array{Rack, ChosenShot|null}
     */
    public function begin(Rack $rack): array
    {
        $racks = [$rack];
        if ($rack->rules()->isTableOpen()) {
            $racks = $this->open($rack);
        }
        $laid = [];
        foreach ($racks as $one) {
            $inHand = $one->ballInHand || !$one->layout->has(BallId::CUE);
            foreach ($inHand ? BallInHand::places($one, $this->values->of($one)) : [$one->layout->ball(BallId::CUE)] as $place) {
                $laid[] = $one->withBall(BallId::CUE, $place)->withBallInHand(false);
            }
        }
        if (\count($laid) > 1 && $this->budget->refined > 0) {
            $laid = [$this->likeliest($laid)];
        }
        $best = [$laid[0] ?? $racks[0], null];
        foreach ($laid as $one) {
            $choice = $this->next($one);
            if (null !== $choice && (null === $best[1] || $choice->runOut() > $best[1]->runOut())) {
                $best = [$one, $choice];
            }
        }

        return $best;
    }

    /**
     * By a rough look.
     *
     * @param non-empty-list<Rack> $racks
     */
    private function likeliest(array $racks): Rack
    {
        $best = $racks[0];
        $most = -1.0;
        foreach ($racks as $rack) {
            $value = $this->next($rack, SearchBudget::quick())?->runOut() ?? 0.0;
            if ($value > $most) {
                $most = $value;
                $best = $rack;
            }
        }

        return $best;
    }

    /**
     * The approximate value of each group, once begin() has compared them.
     *
     * @return array<string, float>
     */
    public function groups(): array
    {
        return $this->groups;
    }

    /**
     * The groups that deserve a closer look on an open table, the better first.
     *
     * @return non-empty-list<Rack>
     */
    private function open(Rack $rack): array
    {
        $racks = [];
        foreach (Group::cases() as $group) {
            $one = $rack->withGroup($group);
            $stateValues = $this->values->of($one);
            $remaining = RemainingBalls::of($one->layout);
            $cue = $one->ballInHand || !$one->layout->has(BallId::CUE) ? null : $one->layout->ball(BallId::CUE);
            $this->groups[$group->value] = null === $cue
                ? $stateValues->highest($remaining)
                : $stateValues->valueAt($remaining, $cue->x, $cue->y);
            $racks[$group->value] = $one;
        }
        arsort($this->groups);
        $best = max($this->groups);
        $close = array_keys(array_filter($this->groups, static fn(float $w): bool => $w >= self::NEAR_GROUP * $best));

        return array_map(static fn(string $g): Rack => $racks[$g], [] === $close ? [Group::Solids->value] : $close);
    }

    /** What a pot leads on to from where the cue ball lies, 0–1. */
    public function leads(Rack $rack, Pot $pot): float
    {
        $proposals = new StrokeProposals($this->values->of($rack));

        return $proposals->leads(RemainingBalls::of($rack->layout), $pot, $this->approach($rack, $pot));
    }

    private function approach(Rack $rack, Pot $pot): PotApproach
    {
        $cue = $rack->layout->ball(BallId::CUE);
        $ball = $rack->layout->ball($pot->ball);
        $chance = new PotChance($this->simulator, new Layout([BallId::CUE => $cue, $pot->ball => $ball]), $pot, $rack->player);

        return new PotApproach(
            $this->cache->grids->positions->node($cue->x, $cue->y),
            $chance->cutFrom($cue->x, $cue->y),
            $cue->distanceTo($ball),
        );
    }

    /**
     * @return list<Stroke>
     */
    private function strokes(Rack $rack, Pot $pot, SearchBudget $budget): array
    {
        $proposals = new StrokeProposals($this->values->of($rack));
        $remaining = RemainingBalls::of($rack->layout);
        $from = $this->approach($rack, $pot);
        $strokes = \array_slice($proposals->strokes($remaining, $pot, $from), 0, $budget->strokes);
        if ($this->values->of($rack)->isOver($remaining->without($pot->ball))) {
            // Nothing is left to get position for: it may simply be potted.
            $cue = $rack->layout->ball(BallId::CUE);
            $easy = (new PotChance($this->simulator, $rack->layout, $pot, $rack->player))->readingSpeed($cue->x, $cue->y);
            $strokes = [...self::ordinary($easy), ...$strokes];
        }

        return $budget->refined > 0 ? [...$strokes, ...$proposals->contacts($remaining, $pot, $from)] : $strokes;
    }
}
