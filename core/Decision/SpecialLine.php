<?php

declare(strict_types=1);

namespace ZigLane\Core\Decision;

use ZigLane\Core\Equipment\BallId;
use ZigLane\Core\Finding;
use ZigLane\Core\Games\Group;
use ZigLane\Core\Geometry\Region;
use ZigLane\Core\Parallel\Processes;
use ZigLane\Core\Planning\Deadline;
use ZigLane\Core\Planning\Finding\BetterSkill;
use ZigLane\Core\Planning\Finding\CostOfConstraints;
use ZigLane\Core\Planning\Finding\Hinge;
use ZigLane\Core\Planning\Finding\NotDirect;
use ZigLane\Core\Planning\Finding\OtherShot;
use ZigLane\Core\Planning\Plan;
use ZigLane\Core\Planning\PlanConstraints;
use ZigLane\Core\Planning\PlannedShot;
use ZigLane\Core\Planning\Planner;
use ZigLane\Core\Planning\PlanSearch;
use ZigLane\Core\Planning\RunOutChance;
use ZigLane\Core\Planning\RunOutEvaluator;
use ZigLane\Core\Planning\ShotChances;
use ZigLane\Core\Planning\Survival;
use ZigLane\Core\Potting\ErrorSamples;
use ZigLane\Core\Rack\Rack;
use ZigLane\Core\Settings\Defaults;

/**
 * A plan whose line goes by a shot that the planner does not know: a bank, a kick, a combination, a carom. The planner goes on from
 * where that leaves the balls.
 */
final readonly class SpecialLine
{
    /** Errors under which the shot is judged. */
    private const TRIES = 240;

    /** Tries under which those that are solved for are compared, and how many are then judged. */
    private const FEW = 40;
    private const JUDGED = 2;

    /**
     * What comes to this share of the plan's chance as it is solved for is stirred: steps of speed (a power of STEP), direction (rad), side
     * and height (radii), halved when none of them does better.
     */
    private const WORTH_STIRRING = 0.7;
    private const PASSES = 8;
    private const FINEST = 0.2;
    private const STEP = 1.3;
    private const STEPS = [[1, 0.0, 0.0, 0.0], [-1, 0.0, 0.0, 0.0], [0, 0.004, 0.0, 0.0], [0, -0.004, 0.0, 0.0],
        [0, 0.0, 0.0, 0.25], [0, 0.0, 0.0, -0.25], [0, 0.0, 0.25, 0.0], [0, 0.0, -0.25, 0.0]];

    /** By so much it must run out more often than the plan does, whose beginning it contradicts (our own choice). */
    private const BETTER = 0.06;

    /** Where the plan runs out more often than this, nothing else is looked for (our own choice). */
    private const ENOUGH = 0.85;

    /**
     * @param Plan           $before up to the shot, as far as that is kept
     * @param PlannedShot    $shot   its chance is that of the rack from there
     * @param float          $fouls  share of its tries that are fouls
     * @param bool           $wins   whether it wins the rack
     * @param OtherShot|null $other  that a plan by plain pots begins with, where this is a plain pot too
     */
    private function __construct(
        private Plan $before,
        private PlannedShot $shot,
        private float $fouls,
        private bool $wins,
        private ?OtherShot $other = null,
    ) {}

    /**
     * @param Plan $before with the shots that are kept
     * @param Rack $rack   as the shot finds it
     *
     * @return self|null null where the stroke, played without an error, ends the turn
     */
    public static function of(Plan $before, Rack $rack, Tried $tried, Planner $planner, ErrorSamples $errors): ?self
    {
        $found = TriedLeg::of($rack, $tried);
        $stroke = $found?->leg->shot?->stroke();
        if (null === $found || null === $stroke) {
            return null;
        }
        $ends = new StrokeEnds($rack);
        $end = $ends->end($stroke, $found->pot);
        $wins = EndKind::Won === $end->kind;
        if (!$end->table->has(BallId::CUE) || (!$wins && (EndKind::Made !== $end->kind || !self::isSame($end, $found)))) {
            return null;
        }
        $chance = new RunOutChance($rack->taking($found->pot->ball), $planner);
        $leads = self::worth($end, $chance);
        $made = $placed = $fouls = 0;
        $runOut = 0.0;
        foreach ($errors->judging(self::TRIES) as $sample) {
            $one = $ends->end($stroke, $found->pot, $sample);
            $value = self::worth($one, $chance);
            $isMade = EndKind::Won === $one->kind || EndKind::Made === $one->kind;
            $made += $isMade ? 1 : 0;
            $placed += $isMade && $value >= RunOutEvaluator::POSITION * $leads ? 1 : 0;
            $fouls += EndKind::Foul === $one->kind ? 1 : 0;
            $runOut += $value;
        }
        $family = $found->family($rack);
        $zone = static fn(float $share): Region => $wins ? new Region([]) : $chance->region($end->table, $share * $leads);

        return new self($before, new PlannedShot(
            $found->pot,
            $found->leg->spec,
            $rack->layout,
            new ShotChances($made / self::TRIES, $placed / self::TRIES, $runOut / self::TRIES),
            $zone(RunOutEvaluator::POSITION),
            $zone(RunOutEvaluator::HEART),
            $end->table->ball(BallId::CUE),
            $family,
            null === $family ? [new NotDirect($found->leg->spec->intent->kind, null)] : [],
            true,
        ), $fouls / self::TRIES, $wins);
    }

    /**
     * The same where another line could be played too.
     *
     * @param Advice|null $advice by which it is; null where nobody contests the rack
     */
    public function instead(Plan $plan, ?Advice $advice = null): self
    {
        if (null === $this->shot->family) {
            $finding = new NotDirect($this->shot->spec->intent->kind, $plan->runOut, $advice?->win(), $advice?->planned);

            return new self($this->before, $this->shot->sayingFirst($finding, 1), $this->fouls, $this->wins);
        }

        return new self($this->before, $this->shot, $this->fouls, $this->wins, OtherShot::begins($plan, $this->shot));
    }

    /**
     * The line by the shot that runs out more often than a plan that begins with a plain pot; null where none does. Nobody contests the
     * rack: an unlikely shot at the ball that wins is no run-out, however little is run out otherwise.
     *
     * @param Plan $plan on an open table with no group taken
     */
    public static function better(Plan $plan, Planner $planner, ErrorSamples $errors, ?Processes $processes = null): ?self
    {
        if ($plan->runOut > self::ENOUGH) {
            return null;
        }
        $rack = $plan->rack->withBallInHand(false);
        $ends = new StrokeEnds($rack);
        $chances = self::chances($rack, $planner);
        $spread = new StrokeSpread($rack);
        $judged = static function (Tried $tried) use ($ends, $chances, $errors): Tried {
            $sum = 0.0;
            foreach ($errors->first(self::FEW) as $sample) {
                $end = $ends->end($tried->stroke, $tried->call, $sample);
                $sum += self::worth($end, $chances[$end->taken->value ?? ''] ?? $chances[array_key_first($chances)]);
            }

            return $tried->winning($sum / self::FEW);
        };
        $ranked = array_map($judged, (new SpecialShots($rack, $spread))->all($processes));
        $best = null;
        $least = $plan->runOut + self::BETTER;
        foreach (\array_slice(Tried::ranked($ranked), 0, self::JUDGED) as $tried) {
            $tried = $tried->win() > self::WORTH_STIRRING * $plan->runOut ? self::stirred($tried, $spread, $judged) : $tried;
            $line = self::of(new Plan($plan->rack, [], 0.0, null), $rack, $tried, $planner, $errors)?->instead($plan);
            $isLikely = null !== $line && $line->shot->chances->pot >= OptionKind::POT;
            if ($isLikely && $line->shot->chances->runOut > $least) {
                $best = $line;
                $least = $line->shot->chances->runOut;
            }
        }

        return $best;
    }

    /**
     * The best of a stroke and those a few steps away from it: it was solved for at one speed with one tip.
     *
     * @param \Closure(Tried): Tried $judged
     */
    private static function stirred(Tried $best, StrokeSpread $spread, \Closure $judged): Tried
    {
        $size = 1.0;
        for ($pass = 0; $pass < self::PASSES && $size > self::FINEST; ++$pass) {
            $before = $best;
            foreach (self::STEPS as [$power, $turn, $side, $height]) {
                $tip = [$size * $side, $size * $height];
                $raised = $spread->near($best->stroke, self::STEP ** ($size * $power), $size * $turn, $tip, Defaults::MISCUE_LIMIT);
                $step = null === $raised ? null : $judged(new Tried($raised, $best->call));
                $best = null !== $step && $step->win() > $best->win() ? $step : $best;
            }
            $size = $best === $before ? $size / 2 : $size;
        }

        return $best;
    }

    /**
     * @return non-empty-array<string, RunOutChance> by the group that is taken; only one where that is known
     */
    private static function chances(Rack $rack, Planner $planner): array
    {
        if (!$rack->rules()->isTableOpen()) {
            return ['' => new RunOutChance($rack, $planner)];
        }

        return [
            Group::Solids->value => new RunOutChance($rack->withGroup(Group::Solids), $planner),
            Group::Stripes->value => new RunOutChance($rack->withGroup(Group::Stripes), $planner),
        ];
    }

    /** Chance to run out from where a stroke ended, 0–1. */
    private static function worth(End $end, RunOutChance $chance): float
    {
        return match ($end->kind) {
            EndKind::Won => 1.0,
            EndKind::Made => $chance->at($end->table),
            default => 0.0,
        };
    }

    /** Whether the line goes on from where the rules leave the balls: one that is spotted lies elsewhere. */
    private static function isSame(End $end, TriedLeg $found): bool
    {
        $after = $found->leg->after();

        return null !== $after && array_keys($after->balls) === array_keys($end->table->balls);
    }

    /**
     * The whole plan, better and better.
     *
     * @return \Generator<int, Plan> at least one
     */
    public function plans(?Deadline $deadline, ErrorSamples $errors, ?Processes $processes): \Generator
    {
        $kept = $this->kept();
        if ($this->wins) {
            yield $this->with(new Plan($this->before->rack, $kept, 1.0, null));

            return;
        }
        $line = (new Plan($this->before->rack, $kept, 1.0, null))->line()->withBallInHand(false);
        $constraints = new PlanConstraints(keep: \count($kept));
        foreach ((new PlanSearch($line, $constraints, $deadline, $errors, $processes))->plans() as $rest) {
            yield $this->with($rest);
        }
    }

    /**
     * The shots up to this one: the chance to run out of those before is at least that of getting here and on.
     *
     * @return non-empty-list<PlannedShot>
     */
    private function kept(): array
    {
        $kept = [$this->shot];
        foreach (array_reverse($this->before->shots) as $shot) {
            $chances = $shot->chances;
            $runOut = max($chances->runOut, $chances->position * $kept[0]->chances->runOut);
            array_unshift($kept, $shot->judged(new ShotChances($chances->pot, $chances->position, $runOut)));
        }

        return $kept;
    }

    /** @param Plan $rest with as many shots before it as are kept */
    private function with(Plan $rest): Plan
    {
        $kept = $this->kept();
        $shots = [...$kept, ...\array_slice($rest->shots, \count($kept))];
        $survival = 1 === \count($kept) && ($this->wins || null !== $rest->survival)
            ? Survival::led($this->shot->chances, $this->fouls, self::TRIES, $rest->survival)
            : null;
        // What is told of the rest by its own chance is not true of the whole.
        $says = array_values(array_filter($rest->says, static fn(Finding $one): bool => !$one instanceof Hinge
            && !$one instanceof BetterSkill && !$one instanceof OtherShot && !$one instanceof CostOfConstraints));
        $hinge = Hinge::of(new Plan($this->before->rack, $shots, $kept[0]->chances->runOut, $rest->stopped, survival: $survival));

        return new Plan(
            $this->before->rack,
            $shots,
            $kept[0]->chances->runOut,
            $rest->stopped,
            array_values(array_filter([...(1 === \count($kept) ? [...$this->shot->findings, $this->other] : []), $hinge, ...$says])),
            $hinge?->shot,
            $rest->settled,
            null,
            $survival,
        );
    }
}
