<?php

declare(strict_types=1);

namespace ZigLane\Core\Planning;

use ZigLane\Core\Equipment\BallId;
use ZigLane\Core\Equipment\Pocket;
use ZigLane\Core\Games\Group;
use ZigLane\Core\Physics\Layout;
use ZigLane\Core\Physics\Simulator;
use ZigLane\Core\Planning\Value\PlanningCache;
use ZigLane\Core\Planning\Value\RemainingBalls;
use ZigLane\Core\Planning\Value\StateValues;
use ZigLane\Core\Planning\Value\StrokeProposals;
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
    ) {
        $this->simulator = $rack->simulator();
        $this->cache = null === $other ? new PlanningCache($this->simulator, $rack->player) : $other->cache;
        $this->values = new RackValues($this->simulator, $this->cache, $budget, $constraints, $other?->values);
    }

    /**
     * The best shot; null when there is none.
     *
     * @param Rack        $rack   with the cue ball on the table; in eight-ball the group must be known
     * @param SearchBudget|null $budget for this shot, when it differs
     */
    public function next(Rack $rack, ?SearchBudget $budget = null): ?ChosenShot
    {
        $budget ??= $this->budget;
        $stateValues = $this->values->of($rack);
        $remaining = RemainingBalls::of($rack->layout);
        $found = [];
        foreach ($this->choices($rack, $stateValues, $remaining, $budget->choices) as [$ball, $pocket]) {
            $strokes = $this->strokes($rack, $stateValues, $remaining, $ball, $pocket, $budget);
            $one = $this->looked($rack, $stateValues, $remaining, $ball, $pocket, $strokes, $budget);
            if (null !== $one) {
                $found[] = $one;
            }
        }
        // Where the rough look finds nothing that works, whatever can be potted at all, with ordinary strokes.
        foreach ([] === $found ? FromHere::now($rack, $rack->layout->ball(BallId::CUE)) : [] as $from) {
            foreach ([] === $from->pots || !$this->constraints->allows($from->ball, $remaining) ? [] : $from->pots as [$pocket, $read]) {
                if (($this->constraints->pockets[$from->ball] ?? $pocket) !== $pocket) {
                    continue;
                }
                $one = $this->looked($rack, $stateValues, $remaining, $from->ball, $pocket, self::ordinary($read->speed), $budget);
                if (null !== $one) {
                    $found[] = $one;
                    break 2;
                }
            }
        }
        usort($found, static fn(array $a, array $b): int => $b[0][0]->value <=> $a[0][0]->value);
        $best = [];
        $searches = [];
        foreach ($found as $n => [$routes, $search]) {
            if ($n < $budget->refined && $routes[0]->value > self::NEAR * $found[0][0][0]->value) {
                $seeds = array_map(
                    static fn(Route $r): array => [$r->shot->speed, $r->shot->tip->side, $r->shot->tip->height],
                    \array_slice($routes, 0, 4),
                );
                $routes = $search->from($seeds, min(2, $budget->refined + 1), $budget->rounds, $budget->tries);
            }
            array_push($best, ...$routes);
            foreach ($routes as $route) {
                $searches[spl_object_id($route)] = $search;
            }
        }
        usort($best, static fn(Route $a, Route $b): int => [$b->tries, $b->value] <=> [$a->tries, $a->value]);

        if ([] === $best) {
            return null;
        }
        $chosen = PlainestRoute::among($best, $budget->steady ? $searches : null);

        return new ChosenShot(
            $chosen,
            $stateValues,
            $remaining,
            array_values(array_filter($best, static fn(Route $r): bool => $r !== $chosen)),
        );
    }

    /**
     * @param list<array{float, float, float, 3?: float}> $strokes
     *
     * @return array{non-empty-list<Route>, RouteSearch}|null
     */
    private function looked(
        Rack $rack,
        StateValues $stateValues,
        int $remaining,
        int $ball,
        Pocket $pocket,
        array $strokes,
        SearchBudget $budget,
    ): ?array {
        if ([] === $strokes) {
            return null;
        }
        $evaluator = new RunOutEvaluator(
            $rack,
            $stateValues,
            $ball,
            $remaining & ~(1 << $ball),
            $this->leads($rack, $stateValues, $remaining, $ball, $pocket),
            $budget->refined > 0,
        );
        $search = new RouteSearch($rack, $ball, $pocket, $evaluator);
        $routes = $search->from($strokes, 0, tries: $budget->refined > 0 ? RouteSearch::FEW : $budget->tries);

        return [] === $routes ? null : [$routes, $search];
    }

    /**
     * @return list<array{float, float, float}> speed (m/s), tip side and height (radii)
     */
    private static function ordinary(float $easy): array
    {
        $strokes = [];
        foreach ([0.75, 1.0, 1.4] as $times) {
            foreach ([-0.35, 0.0, 0.28] as $height) {
                $strokes[] = [$easy * $times, 0.0, $height];
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

    /**
     * @return list<array{int, Pocket, float}>
     */
    private function choices(Rack $rack, StateValues $stateValues, int $remaining, int $most): array
    {
        $cue = $rack->layout->ball(BallId::CUE);
        $choices = (new StrokeProposals($stateValues))->candidates($remaining, $cue->x, $cue->y, lies: true);
        $found = [];
        foreach ($choices as [$ball, $pocket, $about]) {
            if ($about < self::NEAR * $choices[0][2] || \count($found) >= $most) {
                break;
            }
            $found[] = [$ball, $pocket, $about];
        }

        return $found;
    }

    /** What a pot leads on to from where the cue ball lies, 0–1. */
    public function leads(Rack $rack, StateValues $stateValues, int $remaining, int $ball, Pocket $pocket): float
    {
        $cue = $rack->layout->ball(BallId::CUE);

        return (new StrokeProposals($stateValues))->leads(
            $remaining,
            $ball,
            $pocket,
            $this->cache->grid->node($cue->x, $cue->y),
            $this->cut($rack, $ball, $pocket),
            $cue->distanceTo($rack->layout->ball($ball)),
        );
    }

    private function cut(Rack $rack, int $ball, Pocket $pocket): float
    {
        $cue = $rack->layout->ball(BallId::CUE);
        $pot = new PotChance(
            $this->simulator,
            new Layout([BallId::CUE => $cue, $ball => $rack->layout->ball($ball)]),
            $ball,
            $pocket,
            $rack->player,
        );

        return $pot->cutFrom($cue->x, $cue->y);
    }

    /**
     * @return list<array{float, float, float, 3?: float}>
     */
    private function strokes(Rack $rack, StateValues $stateValues, int $remaining, int $ball, Pocket $pocket, SearchBudget $budget): array
    {
        $cue = $rack->layout->ball(BallId::CUE);
        $cut = $this->cut($rack, $ball, $pocket);
        $distance = $cue->distanceTo($rack->layout->ball($ball));
        $strokes = \array_slice(
            (new StrokeProposals($stateValues))->strokes(
                $remaining,
                $ball,
                $pocket,
                $this->cache->grid->node($cue->x, $cue->y),
                $cut,
                $distance,
            ),
            0,
            $budget->strokes,
        );

        return $budget->refined > 0 ? [
            ...$strokes,
            ...(new StrokeProposals($stateValues))->contacts($remaining, $ball, $pocket, $cut, $distance),
        ] : $strokes;
    }
}
