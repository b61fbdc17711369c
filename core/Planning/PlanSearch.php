<?php

declare(strict_types=1);

namespace ZigLane\Core\Planning;

use ZigLane\Core\Aiming\Pot;
use ZigLane\Core\Equipment\BallId;
use ZigLane\Core\Finding;
use ZigLane\Core\Geometry\Region;
use ZigLane\Core\Line\LegState;
use ZigLane\Core\Line\LinePlayer;
use ZigLane\Core\Physics\Speed;
use ZigLane\Core\Planning\Finding\BreakShotFollows;
use ZigLane\Core\Planning\Finding\KeptLegBreaks;
use ZigLane\Core\Planning\Finding\KeptShot;
use ZigLane\Core\Planning\Finding\NoCueBall;
use ZigLane\Core\Planning\Finding\NoShot;
use ZigLane\Core\Planning\Finding\RackStands;
use ZigLane\Core\Potting\ErrorSamples;
use ZigLane\Core\Rack\Rack;
use ZigLane\Core\Rack\ShotSpec;
use ZigLane\Core\Reading\FromHere;
use ZigLane\Core\Reading\Order;
use ZigLane\Core\Routes\Route;
use ZigLane\Core\Routes\RouteSummary;
use ZigLane\Core\Routes\TakeOver;

/**
 * Plans a whole rack, better and better: a complete first line from a coarse look, then shot after shot searched for, the rest
 * of the line following from where it leaves the cue ball. Can be left at any time.
 */
final class PlanSearch
{
    /** Seconds to think where the order is fixed, and where it is free. */
    private const FIXED = 15.0;
    private const FREE = 25.0;

    /** Share of them for the search; the rest is for what the plan says, which takes longer where the order is free. */
    private const SEARCHED_FIXED = 0.8;
    private const SEARCHED_FREE = 0.6;

    private readonly LinePlayer $player;

    /**
     * @param Deadline|null $deadline null to search every shot of the line
     * @param ErrorSamples  $errors   that strokes are judged under
     */
    public function __construct(
        private readonly Rack $rack,
        private readonly PlanConstraints $constraints = new PlanConstraints(),
        private readonly ?Deadline $deadline = null,
        private readonly ErrorSamples $errors = new ErrorSamples(),
    ) {
        $this->player = LinePlayer::for($rack);
    }

    /** A search that is done after so many seconds from now, the explanation included; budget() when null. */
    public static function within(
        ?float $seconds,
        Rack $rack,
        PlanConstraints $constraints = new PlanConstraints(),
        ErrorSamples $errors = new ErrorSamples(),
    ): self {
        $share = $rack->rules()->hasFixedOrder() ? self::SEARCHED_FIXED : self::SEARCHED_FREE;

        return new self($rack, $constraints, new ClockDeadline($share * ($seconds ?? self::budget($rack))), $errors);
    }

    /** Seconds that are enough for a rack. */
    public static function budget(Rack $rack): float
    {
        return $rack->rules()->hasFixedOrder() ? self::FIXED : self::FREE;
    }

    /**
     * @return \Generator<int, Plan> the last one is the best; at least one
     */
    public function plans(): \Generator
    {
        [$start, $shots, $stopped] = $this->kept();
        if (null !== $stopped) {
            yield new Plan($this->rack, $shots, 0.0, $stopped, settled: true);

            return;
        }
        $break = BreakShotSearch::stands($start) ? BreakShotSearch::best($start) : null;
        if (null !== $break) {
            yield new Plan(
                $this->rack,
                $shots,
                0.0,
                new RackStands(),
                [new BreakShotFollows()],
                settled: true,
                break: $break,
            );

            return;
        }
        $quick = new Planner($this->rack, SearchBudget::quick(), $this->constraints, errors: $this->errors);
        [$laid, $choice] = $quick->begin($start);
        $best = $this->line($quick, $laid, $choice, $shots, $laid);
        yield $best;
        $planner = new Planner($this->rack, SearchBudget::settled(), $this->constraints, $quick, $this->errors);
        [$laid, $choice] = $planner->begin($start);
        $first = \count($shots);
        $others = $choice->others ?? [];
        $from = $laid;
        while (null !== $choice) {
            // The rest roughly, so that there is a whole line to look at.
            [$shot, $after, $rest] = $this->step($planner, $quick, $laid, $choice, true);
            $shots[] = $shot;
            $another = null === $this->deadline || $this->deadline->allowsAnother();
            $settled = null === $after || null === $rest || !$another;
            if ($settled || null === $this->deadline || $this->deadline->isTimeToShow()) {
                $plan = $this->line($quick, $after ?? $laid, $rest, $shots, $from);
                // A line that breaks off never takes the place of a whole one.
                $better = null === $plan->stopped || null !== $best->stopped;
                if ($better) {
                    $best = $plan;
                }
                if ($settled || $better) {
                    yield (new Explanation($this->rack, $planner, $this->constraints, $first))->explained($best, $others, $settled);
                }
            }
            if ($settled) {
                return;
            }
            $laid = $after;
            $choice = $planner->next($laid, SearchBudget::later());
        }
        if ($first === \count($shots)) {
            // The coarse look found something where the closer one does not: that is what there is.
            yield (new Explanation($this->rack, $quick, $this->constraints, $first))->explained($best, [], true);
        }
    }

    /**
     * The last of them.
     */
    public function plan(): Plan
    {
        $plan = null;
        foreach ($this->plans() as $plan) {
        }

        return $plan ?? throw new \LogicException('A search without a plan.');
    }

    /**
     * The rack after the legs that are kept.
     *
     * @return array{Rack, list<PlannedShot>, KeptLegBreaks|null}
     */
    private function kept(): array
    {
        $rack = $this->rack->withLegs([]);
        $shots = [];
        foreach (\array_slice($this->rack->legs, 0, $this->constraints->keep) as $n => $spec) {
            $leg = $this->player->leg($n + 1, $spec, $rack->layout, $rack->rules());
            $after = $leg->after();
            if (LegState::Holds !== $leg->state || null === $after || null === $spec->ball || null === $spec->pocket) {
                return [$rack, $shots, new KeptLegBreaks($n + 1, $leg->faults[0] ?? null)];
            }
            $shots[] = new PlannedShot(
                new Pot($spec->ball, $spec->pocket),
                $spec,
                $rack->layout,
                new ShotChances(1.0, 1.0, 1.0),
                new Region([]),
                new Region([]),
                $after->ball(BallId::CUE),
                null,
                [new KeptShot()],
                true,
            );
            $rack = $rack->withLayout($after)->withBallInHand(false);
        }

        return [$rack, $shots, null];
    }

    /**
     * One shot of the line: the first way to play it that leaves a table to go on from.
     *
     * @param Planner $planner that made the choice
     * @param Planner $quick   for a rough look at what comes then
     *
     * @return array{PlannedShot, Rack|null, ChosenShot|null} the rack after it, and what comes then, roughly; no choice when over
     */
    private function step(Planner $planner, Planner $quick, Rack $rack, ChosenShot $choice, bool $settled): array
    {
        $first = null;
        foreach ($choice->ways() as $way) {
            $shot = $this->shot($planner, $rack, $way, $settled);
            $after = $this->after($rack, $shot);
            $next = null === $after || $rack->rules()->isOver($after->layout) ? null : $quick->next($after);
            if (null !== $after && (null !== $next || $rack->rules()->isOver($after->layout))) {
                return [$shot, $after, $next];
            }
            $first ??= [$shot, $after, null];
        }

        return $first;
    }

    /**
     * A line from a choice to the end.
     *
     * @param list<PlannedShot> $shots before it
     * @param Rack              $began as the plan's first shot finds it
     */
    private function line(Planner $quick, Rack $rack, ?ChosenShot $choice, array $shots, Rack $began): Plan
    {
        while (null !== $choice) {
            [$shot, $after, $choice] = $this->step($quick, $quick, $rack, $choice, false);
            $shots[] = $shot;
            $rack = $after ?? $rack;
        }
        $over = $rack->rules()->isOver($rack->layout);
        $from = $shots[$this->constraints->keep] ?? null;

        $runOut = $from->chances->runOut ?? ($over ? 1.0 : 0.0);

        return new Plan($this->beginning($began), $shots, $runOut, $over ? null : self::noShot($rack));
    }

    /** The rack as it was given, with the cue ball and the group as the plan took them. */
    private function beginning(Rack $taken): Rack
    {
        $rack = null === $taken->group ? $this->rack : $this->rack->withGroup($taken->group);
        $inHand = 0 === $this->constraints->keep && ($this->rack->ballInHand || !$this->rack->layout->has(BallId::CUE));

        return $inHand ? $rack->withBall(BallId::CUE, $taken->layout->ball(BallId::CUE)) : $rack;
    }

    private static function noShot(Rack $rack): Finding
    {
        if (!$rack->layout->has(BallId::CUE)) {
            return new NoCueBall();
        }
        $from = FromHere::now($rack, $rack->layout->ball(BallId::CUE))[0] ?? null;

        return new NoShot($rack->rules()->legalTargets($rack->layout), $from?->why);
    }

    private function shot(Planner $planner, Rack $rack, ChosenShot $choice, bool $settled): PlannedShot
    {
        $route = $choice->route;
        $spec = $this->spec($rack, $route);
        $stateValues = $choice->stateValues;
        $left = $choice->left();
        $last = [] === $stateValues->values($left);
        $leads = $planner->leads($rack, $route->pot);

        return new PlannedShot(
            $route->pot,
            $spec,
            $rack->layout,
            new ShotChances(
                $route->chances->pot,
                $last ? $route->chances->pot : $route->chances->position,
                $route->chances->value,
            ),
            $last ? new Region([]) : $stateValues->region($left, RunOutEvaluator::POSITION * $leads),
            $last ? new Region([]) : $stateValues->region($left, RunOutEvaluator::HEART * $leads),
            $route->stop,
            $route->family,
            [...($settled ? [RouteSummary::of($route)] : []), ...ShotPurpose::of($rack, $choice)],
            $settled,
        );
    }

    private function after(Rack $rack, PlannedShot $shot): ?Rack
    {
        $after = $this->player->leg(1, $shot->spec, $rack->layout, $rack->rules())->after();

        return null === $after || !$after->has(BallId::CUE) ? null : $rack->withLayout($after);
    }

    /** The route as a leg states it; with its bare direction where rounding would lose the pot. */
    private function spec(Rack $rack, Route $route): ShotSpec
    {
        $spec = TakeOver::spec($rack, $route->pot, $route->shot);
        if (LegState::Holds === $this->player->leg(1, $spec, $rack->layout, $rack->rules())->state) {
            return $spec;
        }

        return new ShotSpec(
            rad2deg($route->shot->aim),
            null,
            null,
            0.0,
            Speed::metresPerSecond($route->shot->speed),
            $route->shot->tip,
            rad2deg($route->shot->elevation),
        );
    }
}
