<?php

declare(strict_types=1);

namespace ZigLane\Core\Planning;

use ZigLane\Core\Equipment\BallId;
use ZigLane\Core\Finding;
use ZigLane\Core\Parallel\Processes;
use ZigLane\Core\Planning\Finding\BreakShotFollows;
use ZigLane\Core\Planning\Finding\NoCueBall;
use ZigLane\Core\Planning\Finding\NoShot;
use ZigLane\Core\Planning\Finding\RackStands;
use ZigLane\Core\Planning\Finding\SpottedFirst;
use ZigLane\Core\Planning\Finding\ThirdFoul;
use ZigLane\Core\Potting\ErrorSamples;
use ZigLane\Core\Rack\Kitchen;
use ZigLane\Core\Rack\Rack;
use ZigLane\Core\Reading\FromHere;
use ZigLane\Core\Routes\Route;

/**
 * Plans a whole rack, better and better: a whole first line from a coarse look, then shot after shot searched for until all are.
 * Can be left at any time. A line that runs out is never replaced by one that breaks off.
 */
final class PlanSearch
{
    /** After so many shots more the line is shown again. */
    private const SHOWN = 2;

    private readonly Rack $rack;
    private readonly LineMaker $maker;
    private ?Planner $planner = null;
    private readonly Processes $processes;

    /**
     * @param Deadline|null  $deadline  null to search every shot of the line
     * @param ErrorSamples   $errors    that strokes are judged under
     * @param Processes|null $processes that share the work: the plan is the same however many; this one alone when null
     */
    public function __construct(
        private readonly Rack $asked,
        private readonly PlanConstraints $constraints = new PlanConstraints(),
        private readonly ?Deadline $deadline = null,
        private readonly ErrorSamples $errors = new ErrorSamples(),
        ?Processes $processes = null,
    ) {
        $this->rack = Kitchen::opened($asked);
        $this->maker = new LineMaker($this->rack);
        $this->processes = $processes ?? Processes::single();
    }

    /**
     * @return \Generator<int, Plan> the last one is the best; at least one
     */
    public function plans(): \Generator
    {
        $first = array_filter([$this->spotted(), $this->thirdFoul()]);
        foreach ($this->searched() as $plan) {
            foreach ($first as $finding) {
                $plan = $plan->sayingFirst($finding);
            }
            yield $plan;
        }
    }

    /** What a foul would cost that is the third in a row. */
    private function thirdFoul(): ?ThirdFoul
    {
        $rules = $this->asked->rules();
        $points = $rules->pointsLostByFoul($this->asked->fouls);

        return $points > $rules->pointsLostByFoul() ? new ThirdFoul($points) : null;
    }

    /** The ball that had to be spotted before anything could be played. */
    private function spotted(): ?SpottedFirst
    {
        foreach ($this->rack === $this->asked ? [] : $this->rack->layout->objectBalls() as $ball) {
            if ($this->rack->layout->ball($ball)->distanceTo($this->asked->layout->ball($ball)) > 0.0) {
                return new SpottedFirst($ball);
            }
        }

        return null;
    }

    /**
     * @return \Generator<int, Plan>
     */
    private function searched(): \Generator
    {
        $kept = KeptLegs::of($this->rack, $this->constraints->keep);
        $before = $kept->line->shots;
        if (null !== $kept->breaks) {
            yield new Plan($this->rack, $before, 0.0, $kept->breaks, settled: true);

            return;
        }
        $start = $kept->line->end;
        $break = BreakShotSearch::stands($start) ? BreakShotSearch::best($start) : null;
        if (null !== $break) {
            yield new Plan($this->rack, $before, 0.0, new RackStands(), [new BreakShotFollows()], settled: true, break: $break);

            return;
        }
        $quick = new Planner($this->rack, SearchBudget::quick(), $this->constraints, errors: $this->errors, processes: $this->processes);
        $this->planner = $quick;
        [$laid, $choice] = (new Beginnings($quick))->best($start);
        $best = $this->maker->toTheEnd($quick, $laid, $choice);
        $first = $this->drawn($best, $before, $laid);
        yield $first;
        if (null === $choice) {
            yield (new Explanation($this->rack, $quick, $this->constraints, \count($before)))->explained($first, [], true);

            return;
        }
        yield from $this->settled($quick, $start, $before, $best, [$laid, $choice->route]);
    }

    /**
     * Every shot searched for, from the first on.
     *
     * @param Planner              $quick  for a rough look at what comes then
     * @param list<PlannedShot>    $before shots that are kept
     * @param ShotLine             $best   what is known so far
     * @param array{Rack, Route}   $known  how that begins
     *
     * @return \Generator<int, Plan>
     */
    private function settled(Planner $quick, Rack $start, array $before, ShotLine $best, array $known): \Generator
    {
        $planner = new Planner($this->rack, SearchBudget::settled($this->rack->rules()), $this->constraints, $quick, $this->errors);
        $this->planner = $planner;
        $beginnings = new Beginnings($planner);
        [$rack, $choice] = $beginnings->best($start, $known);
        $began = $rack;
        $others = $choice->others ?? [];
        $explanation = new Explanation(
            $this->rack,
            $planner,
            $this->constraints,
            \count($before),
            $this->errors,
            $beginnings->groups(),
            $choice?->runOut(),
        );
        $shots = [];
        $shown = 0;
        while (null !== $choice) {
            $more = null === $this->deadline || $this->deadline->allowsAnother();
            $step = $more
                ? $this->maker->step($planner, $planner, $rack, $choice, SearchBudget::later())
                : $this->maker->step($planner, $quick, $rack, $choice);
            if (null !== $step) {
                $shots[] = $step->shot;
                $rack = $step->after;
            }
            $choice = $step?->next;
            $done = null === $choice || !$more;
            if (!$done && 1 !== \count($shots) && \count($shots) < $shown + self::SHOWN) {
                continue;
            }
            $shown = \count($shots);
            // The rest roughly, so that there is a whole line to look at.
            $then = null !== $choice && $more ? $quick->next($rack) : $choice;
            $rest = $this->maker->toTheEnd($quick, $rack, $then);
            $line = new ShotLine([...$shots, ...$rest->shots], $rest->end);
            if (!$best->goesFurtherThan($line)) {
                $best = $line;
            }
            if ($done) {
                break;
            }
            yield $explanation->explained($this->drawn($best, $before, $began), $others, false);
        }
        $best = $this->lookedAt($planner, $this->judged($planner, $best));
        $best = null === $this->deadline ? (new Clearing($planner))->told($best) : $best;
        yield $explanation->explained($this->drawn($best, $before, $began), $others, true);
    }

    /** What the plan of the moment was made with; null before the first, and where there is nothing to choose. */
    public function planner(): ?Planner
    {
        return $this->planner;
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

    /** The first shot's chance mended by a second look, once everything is searched. */
    private function lookedAt(Planner $planner, ShotLine $line): ShotLine
    {
        $first = $line->shots[0] ?? null;
        if (null !== $this->deadline || null === $first || \count($line->shots) < 2) {
            return $line;
        }
        $runOut = (new SecondLook($planner, $this->errors, $this->processes))->at($first, $line->end);
        $chances = new ShotChances($first->chances->pot, $first->chances->position, $runOut ?? $first->chances->runOut);

        return new ShotLine([$first->judged($chances), ...\array_slice($line->shots, 1)], $line->end);
    }

    /** Shots that were kept from a rough line judged as closely as those that were searched for. */
    private function judged(Planner $planner, ShotLine $line): ShotLine
    {
        if (null !== $this->deadline) {
            return $line;
        }

        return new ShotLine(
            array_map(fn(PlannedShot $shot): PlannedShot => $shot->settled ? $shot : $planner->judged($line->end, $shot), $line->shots),
            $line->end,
        );
    }

    /**
     * @param list<PlannedShot> $before shots that are kept
     * @param Rack              $began  as the first shot after them finds it
     */
    private function drawn(ShotLine $line, array $before, Rack $began): Plan
    {
        // Shots that are kept begin on the table as it is.
        $rack = [] === $before ? $this->rack->withGroup($began->group) : $this->rack;
        $inHand = 0 === $this->constraints->keep && ($this->rack->ballInHand || !$this->rack->layout->has(BallId::CUE));
        // Another place may have been taken while the line that is kept began elsewhere.
        $cue = ($line->shots[0]->before ?? $began->layout)->ball(BallId::CUE);

        return new Plan(
            $inHand ? $rack->withBall(BallId::CUE, $cue) : $rack,
            [...$before, ...$line->shots],
            $line->shots[0]->chances->runOut ?? ($line->isWhole() ? 1.0 : 0.0),
            $line->isWhole() ? null : self::noShot($line->end),
        );
    }

    private static function noShot(Rack $rack): Finding
    {
        if (!$rack->layout->has(BallId::CUE)) {
            return new NoCueBall();
        }
        $from = FromHere::now($rack, $rack->layout->ball(BallId::CUE))[0] ?? null;

        return new NoShot($rack->rules()->legalTargets($rack->layout), $from?->why);
    }
}
