<?php

declare(strict_types=1);

namespace ZigLane\Core\Planning;

use ZigLane\Core\Aiming\Pot;
use ZigLane\Core\Equipment\BallId;
use ZigLane\Core\Games\Group;
use ZigLane\Core\Parallel\Processes;
use ZigLane\Core\Physics\Layout;
use ZigLane\Core\Physics\Shot;
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
use ZigLane\Core\Rack\Kitchen;
use ZigLane\Core\Rack\Rack;
use ZigLane\Core\Reading\FromHere;
use ZigLane\Core\Routes\Route;
use ZigLane\Core\Routes\RouteChances;
use ZigLane\Core\Routes\RouteMaker;
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

    private readonly Processes $processes;
    private readonly Simulator $simulator;
    private readonly PlanningCache $cache;

    /** State values for the racks that the plan goes through. */
    public readonly RackValues $values;

    /** The same without the place for the break shot of straight pool, once asked for. */
    private ?RackValues $clearing = null;

    public function __construct(
        Rack $rack,
        public readonly SearchBudget $budget,
        private readonly PlanConstraints $constraints = new PlanConstraints(),
        ?self $other = null,
        public readonly ErrorSamples $errors = new ErrorSamples(),
        ?Processes $processes = null,
    ) {
        $this->processes = $processes ?? $other->processes ?? Processes::single();
        $this->simulator = $rack->simulator();
        $this->cache = null === $other ? new PlanningCache($this->simulator, $rack->player, $this->processes) : $other->cache;
        $this->values = new RackValues($this->cache, $budget, $constraints, $other?->values);
    }

    /** One with another budget and state values of its own, from the same tables. */
    public function with(SearchBudget $budget, Rack $rack): self
    {
        return new self($rack, $budget, $this->constraints, $this, $this->errors);
    }

    /**
     * The best shot; null when there is none.
     *
     * @param Rack              $rack   with the cue ball on the table; in eight-ball the group must be known
     * @param SearchBudget|null $budget for this shot, when it differs
     * @param Route|null        $known  a way to play it that was found before: it is among those looked at
     */
    public function next(Rack $rack, ?SearchBudget $budget = null, ?Route $known = null): ?ChosenShot
    {
        $budget ??= $this->budget;
        $pots = $this->likelyPots($rack, $budget->choices, $known?->pot);
        // The tables must be there before the work is shared out.
        $values = $this->values->of($rack);
        $values->values(RemainingBalls::of($rack->layout));
        $windows = $this->cache->windows;
        $before = $windows->extent();
        $found = [];
        foreach ($this->processes->results(array_map(
            fn(array $share): \Closure => fn(): array => [
                $this->searched($rack, $share, $budget),
                $values->corrections(),
                $windows->learntSince($before),
            ],
            $this->shares($rack, $pots, $budget, $known),
        )) as [$routes, $corrections, $learnt]) {
            $values->learn($corrections);
            $windows->learn($learnt);
            array_push($found, ...$routes);
        }
        $routes = [] === $found ? $this->anyPot($rack, $budget) : RouteMaker::distinct($found);
        if ([] === $routes) {
            return null;
        }
        usort(
            $routes,
            static fn(Route $a, Route $b): int => [$b->chances->tries, $b->chances->value] <=> [$a->chances->tries, $a->chances->value],
        );
        $leaves = fn(Route $route): float => $this->leaves($rack, $route, $budget);
        $chosen = PlainestRoute::among($rack, $routes, $budget->steady ? $leaves : null);

        return new ChosenShot(
            $chosen,
            $this->values->of($rack),
            RemainingBalls::of($rack->layout),
            array_values(array_filter($routes, static fn(Route $r): bool => $r !== $chosen)),
        );
    }

    /** The best way found to play one pot; null when there is none. */
    public function way(Rack $rack, Pot $pot, SearchBudget $budget): ?Route
    {
        $this->values->of($rack)->values(RemainingBalls::of($rack->layout));
        $strokes = $this->strokes($rack, $pot, $budget);
        if ([] === $strokes) {
            $strokes = self::ordinary($this->easySpeed($rack, $pot));
        }
        $routes = RouteMaker::distinct($this->searched($rack, [[$pot, $strokes]], $budget));
        usort($routes, static fn(Route $a, Route $b): int => $b->chances->value <=> $a->chances->value);

        return $routes[0] ?? null;
    }

    /**
     * The pots and the strokes to try at each, in two shares of about the same work: the likeliest pot and the others, or, where there
     * is only one, every second of its strokes.
     *
     * @param list<Pot> $pots
     *
     * @return list<list<array{Pot, list<Stroke>}>>
     */
    private function shares(Rack $rack, array $pots, SearchBudget $budget, ?Route $known): array
    {
        $tried = [];
        foreach ($pots as $pot) {
            $strokes = $this->strokes($rack, $pot, $budget);
            $tried[] = [$pot, null !== $known && $known->pot->is($pot) ? [self::strokeOf($known), ...$strokes] : $strokes];
        }
        if (1 !== \count($tried) || 0 === $budget->refined) {
            return array_values(array_filter([\array_slice($tried, 0, 1), \array_slice($tried, 1)]));
        }
        [[$pot, $strokes]] = $tried;
        $half = static fn(int $odd): array => array_values(
            array_filter($strokes, static fn(int $n): bool => $n % 2 === $odd, \ARRAY_FILTER_USE_KEY),
        );

        return [[[$pot, $half(0)]], [[$pot, $half(1)]]];
    }

    /**
     * Routes for pots, the best of which is looked at closely.
     *
     * @param list<array{Pot, list<Stroke>}> $share
     *
     * @return list<Route>
     */
    private function searched(Rack $rack, array $share, SearchBudget $budget): array
    {
        $found = [];
        foreach ($share as [$pot, $strokes]) {
            $found[] = $this->search($rack, $pot, $strokes, $budget);
        }
        $found = array_values(array_filter($found));
        usort($found, static fn(SearchedPot $a, SearchedPot $b): int => $b->best()->chances->value <=> $a->best()->chances->value);
        if ($budget->refined > 0 && [] !== $found) {
            $routes = $found[0]->routes;
            if ($this->values->of($rack)->isOver(RemainingBalls::of($rack->layout)->without($routes[0]->pot->ball))) {
                // Nothing comes after it: what is simple first.
                usort($routes, static fn(Route $a, Route $b): int => abs($a->shot->tip->side) <=> abs($b->shot->tip->side));
            }
            $seeds = array_map(self::strokeOf(...), \array_slice($routes, 0, self::SEEDS));
            $found[0] = $found[0]->again($seeds, $budget->refined, $budget->rounds, $budget->tries);
        }

        return array_merge(...array_map(static fn(SearchedPot $s): array => $s->routes, $found));
    }

    private static function strokeOf(Route $route): Stroke
    {
        return new Stroke($route->shot->speed, $route->shot->tip->side, $route->shot->tip->height);
    }

    /** What a route leaves when it is played exactly, 0–1. */
    private function leaves(Rack $rack, Route $route, SearchBudget $budget): float
    {
        return $this->evaluator($rack, $route->pot, $budget)->valueAt($route->stop->x, $route->stop->y);
    }

    /**
     * The pots that are worth a closer look, the best first.
     *
     * @return list<Pot>
     */
    private function likelyPots(Rack $rack, int $most, ?Pot $known): array
    {
        $cue = $rack->layout->ball(BallId::CUE);
        $proposals = new StrokeProposals($this->values->of($rack));
        $valued = $proposals->candidates(RemainingBalls::of($rack->layout), $cue->x, $cue->y, lies: true);
        $valued = array_values(array_filter($valued, static fn(ValuedPot $v): bool => !Kitchen::guards($rack, $v->pot->ball)));
        $near = array_filter($valued, static fn(ValuedPot $v): bool => $v->value >= self::NEAR * $valued[0]->value);

        $pots = array_map(static fn(ValuedPot $v): Pot => $v->pot, \array_slice(array_values($near), 0, $most));
        $isThere = null === $known || [] !== array_filter($pots, static fn(Pot $pot): bool => $pot->is($known));

        return $isThere ? $pots : [...$pots, $known];
    }

    /**
     * Where the rough look finds nothing that works, whatever can be potted at all, with ordinary strokes.
     *
     * @return list<Route>
     */
    private function anyPot(Rack $rack, SearchBudget $budget): array
    {
        $remaining = RemainingBalls::of($rack->layout);
        foreach (FromHere::now($rack, $rack->layout->ball(BallId::CUE)) as $from) {
            foreach ($this->constraints->allows($from->ball, $remaining) ? $from->pots : [] as [$pocket, $read]) {
                if (($this->constraints->pockets[$from->ball] ?? $pocket) !== $pocket) {
                    continue;
                }
                $one = $this->search($rack, new Pot($from->ball, $pocket), self::ordinary($read->speed), $budget);
                if (null !== $one) {
                    return $one->routes;
                }
            }
        }

        return [];
    }

    /**
     * @param list<Stroke> $strokes
     */
    private function search(Rack $rack, Pot $pot, array $strokes, SearchBudget $budget): ?SearchedPot
    {
        if ([] === $strokes) {
            return null;
        }
        $window = $this->cache->windows->among($rack->layout, $pot);
        $search = new RouteSearch($rack, $pot, $this->evaluator($rack, $pot, $budget), $this->errors, $this->processes, $window);
        $routes = $search->from($strokes, 0, tries: $budget->refined > 0 ? RouteSearch::FEW : $budget->tries);

        return [] === $routes ? null : new SearchedPot($search, $routes);
    }

    /** What the stops of a pot's strokes are judged by. */
    public function evaluator(Rack $rack, Pot $pot, SearchBudget $budget): RunOutEvaluator
    {
        return new RunOutEvaluator($rack, $this->values->of($rack), $pot->ball, $this->leads($rack, $pot), $budget->step);
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

    /** A shot of a line with its chances worked out as closely as those that are searched for. */
    public function judged(Rack $rack, PlannedShot $shot): PlannedShot
    {
        $rack = $shot->rackBefore($rack);
        $played = $shot->played($rack);
        if (null === $played) {
            return $shot;
        }
        $chances = $this->chances($rack, $shot->pot, $played, SearchBudget::later());
        $last = $this->values->of($rack)->isOver(RemainingBalls::of($rack->layout)->without($shot->pot->ball));

        return $shot->judged(ShotChances::of($chances, $last));
    }

    /** What a shot comes to, by the values that shots are chosen by. */
    public function chances(Rack $rack, Pot $pot, Shot $shot, SearchBudget $budget): RouteChances
    {
        return (new RouteSearch($rack, $pot, $this->evaluator($rack, $pot, $budget), $this->errors))
            ->chances($shot, $this->errors->judging($budget->tries));
    }

    /**
     * The chance to pot the rack's balls with a shot first, 0–1. Ways are chosen in straight pool by what the place for the break shot
     * counts for as well (BreakPositions); that is not in it.
     */
    public function clears(Rack $rack, Pot $pot, Shot $shot, SearchBudget $budget): float
    {
        $this->clearing ??= new RackValues($this->cache, $budget, $this->constraints, $this->values, false);
        $evaluator = new RunOutEvaluator($rack, $this->clearing->of($rack), $pot->ball, 1.0, $budget->step);

        return (new RouteSearch($rack, $pot, $evaluator, $this->errors))->chances($shot, $this->errors->judging($budget->tries))->value;
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
        $only = new Layout([BallId::CUE => $cue, $pot->ball => $ball]);
        $chance = new PotChance($this->simulator, $only, $pot, $rack->player, $this->cache->windows->alone($only, $pot));

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
            $strokes = [...self::ordinary($this->easySpeed($rack, $pot)), ...$strokes];
        }

        return $budget->refined > 0 ? [...$strokes, ...$proposals->contacts($remaining, $pot, $from)] : $strokes;
    }

    /** Speed of an easy stroke at a pot from where the cue ball lies, m/s. */
    private function easySpeed(Rack $rack, Pot $pot): float
    {
        $cue = $rack->layout->ball(BallId::CUE);
        $window = $this->cache->windows->among($rack->layout, $pot);

        return (new PotChance($this->simulator, $rack->layout, $pot, $rack->player, $window))->readingSpeed($cue->x, $cue->y);
    }
}
