<?php

declare(strict_types=1);

namespace ZigLane\Core\Planning;

use ZigLane\Core\Equipment\BallId;
use ZigLane\Core\Finding;
use ZigLane\Core\Line\LinePlayer;
use ZigLane\Core\Planning\Finding\BallInTheWay;
use ZigLane\Core\Planning\Finding\BetterSkill;
use ZigLane\Core\Planning\Finding\BreaksCluster;
use ZigLane\Core\Planning\Finding\BreakShotFollows;
use ZigLane\Core\Planning\Finding\ClusterToOpen;
use ZigLane\Core\Planning\Finding\CostOfConstraints;
use ZigLane\Core\Planning\Finding\GroupTaken;
use ZigLane\Core\Planning\Finding\Hinge;
use ZigLane\Core\Planning\Finding\KeyShot;
use ZigLane\Core\Planning\Finding\LeftForTheEnd;
use ZigLane\Core\Planning\Finding\NoBreakBall;
use ZigLane\Core\Planning\Finding\OtherShot;
use ZigLane\Core\Planning\Finding\Skill;
use ZigLane\Core\Planning\Value\RemainingBalls;
use ZigLane\Core\Planning\Value\StateValues;
use ZigLane\Core\Player\Player;
use ZigLane\Core\Potting\ErrorSamples;
use ZigLane\Core\Rack\Rack;
use ZigLane\Core\Reading\Order;
use ZigLane\Core\Routes\Route;
use ZigLane\Core\Settings\Defaults;

/**
 * What a plan turns on: the hinge, what forces the order, what comes closest, what more skill would give, what pins cost.
 */
final readonly class Explanation
{
    /** A skill that is looked at is better by this share. */
    private const BETTER = 0.2;

    /** A ball is in another's way when that has so many times the room without it. */
    private const FREED = 2.5;

    /** A difference of chance that is none. */
    private const NOTHING = 0.005;

    /** Another shot that comes to less than this share of the plan is no choice. */
    private const WORTH_TELLING = 1 / 3;

    /** A far ball is worth a word when so many are shot, and it is one of the last so many. */
    private const ENOUGH = 4;
    private const LATE = 3;

    /**
     * @param int          $kept   shots of the plan that are the player's own
     * @param ErrorSamples         $errors that runs are played under
     * @param array<string, float> $groups what each group is worth, about, where it was chosen
     * @param float|null           $searched chance of the first shot as it was searched for: others are compared with that
     */
    public function __construct(
        private Rack $rack,
        private Planner $planner,
        private PlanConstraints $constraints,
        private int $kept = 0,
        private ErrorSamples $errors = new ErrorSamples(),
        private array $groups = [],
        private ?float $searched = null,
    ) {}

    /**
     * @param list<Route> $others other ways to play the first shot
     */
    public function explained(Plan $plan, array $others, bool $settled): Plan
    {
        $plan = $settled ? $this->played($plan) : $plan;
        $hinge = Hinge::of($plan, $this->kept);
        $says = null === $hinge ? [] : [$hinge];
        $shots = $plan->shots;
        $break = null;
        if ($settled && isset($plan->shots[$this->kept])) {
            $end = $this->end($plan);
            $break = null === $end ? null : BreakShotSearch::best($end);
            $last = null === $end ? null : (null === $break ? new NoBreakBall($end->layout->objectBalls()[0]) : new BreakShotFollows());
            array_push($says, ...$this->findings($plan, $others, $last));
            if ($last instanceof NoBreakBall) {
                // Then no ball is the key to it.
                $shots = array_map(static fn(PlannedShot $shot): PlannedShot => $shot->notSaying(KeyShot::class), $shots);
            }
        }

        return new Plan($plan->rack, $shots, $plan->runOut, $plan->stopped, $says, $hinge?->shot, $settled, $break, $plan->survival);
    }

    /** With what becomes of some hundred runs, once the first shot is settled. */
    private function played(Plan $plan): Plan
    {
        $shots = \array_slice($plan->shots, $this->kept);
        $run = [] === $shots || !$shots[0]->settled
            ? null
            : SurvivalRun::of($this->planner, $this->start($plan, $shots[0]), $shots, $this->errors);

        return null === $run
            ? $plan
            : new Plan($plan->rack, $plan->shots, $plan->runOut, $plan->stopped, survival: $run->after($this->kept));
    }

    /**
     * @param list<Route>  $others
     * @param Finding|null $last   of a rack of straight pool
     *
     * @return list<Finding>
     */
    private function findings(Plan $plan, array $others, ?Finding $last): array
    {
        $first = $plan->shots[$this->kept];
        $start = $this->start($plan, $first);
        $stateValues = $this->planner->values->of($start);
        $remaining = RemainingBalls::of($start->layout);
        $cue = $start->layout->ball(BallId::CUE);
        $now = $this->planner->values->roughly($start)->valueAt($remaining, $cue->x, $cue->y);

        return array_values(array_filter([
            $this->group($plan),
            ...self::inTheWay($start, $stateValues, $plan),
            self::cluster($stateValues, $remaining, $plan),
            $this->far($plan, $start),
            $last,
            $this->other($plan, $first, $others),
            ...$this->skill($start, $first->chances->runOut, $now),
            $this->pinned($start, $first->chances->runOut, $now),
        ]));
    }

    /** The rack as the first shot that is not kept finds it. */
    private function start(Plan $plan, PlannedShot $first): Rack
    {
        return 0 === $this->kept ? $plan->rack->withLayout($first->before) : $plan->before($first);
    }

    private function group(Plan $plan): ?GroupTaken
    {
        $group = $plan->rack->group;
        if (null === $group || null !== $this->rack->group) {
            return null;
        }
        $value = $this->groups[$group->value] ?? 0.0;
        $other = $this->groups[$group->other()->value] ?? null;
        if (null === $other || $value <= 0.0) {
            return new GroupTaken($group, null, null);
        }

        // The other group beside what the plan comes to.
        return new GroupTaken($group, $plan->runOut, min(1.0, $other / $value) * $plan->runOut);
    }

    /**
     * What forces the order. Two that are in each other's way force none.
     *
     * @return list<BallInTheWay>
     */
    private static function inTheWay(Rack $start, StateValues $stateValues, Plan $plan): array
    {
        $remaining = RemainingBalls::of($start->layout);
        $pots = $stateValues->pots;
        $own = $start->rules()->ownBalls($start->layout);
        $turn = array_flip(array_map(static fn(PlannedShot $s): int => $s->pot->ball, $plan->shots));
        $found = [];
        foreach ($own as $ball) {
            foreach ($pots->liesBadly($remaining, $ball) ? array_diff($own, [$ball]) : [] as $other) {
                $without = $remaining->without($other);
                if (!$pots->liesBadly($without, $ball) && $pots->room($without, $ball) > self::FREED * $pots->room($remaining, $ball)) {
                    $found[] = new BallInTheWay($ball, $other, isset($turn[$ball], $turn[$other]) && $turn[$other] > $turn[$ball]);
                    break;
                }
            }
        }

        $ways = array_map(static fn(BallInTheWay $one): array => [$one->by, $one->ball], $found);

        return array_values(array_filter($found, static fn(BallInTheWay $one): bool => !\in_array([$one->ball, $one->by], $ways, true)));
    }

    private static function cluster(StateValues $stateValues, RemainingBalls $remaining, Plan $plan): ?ClusterToOpen
    {
        $cluster = RemainingBalls::ballsIn($stateValues->pots->cluster & $remaining->bits);
        if ([] === $cluster) {
            return null;
        }
        foreach ($plan->shots as $n => $shot) {
            if ([] !== array_filter($shot->findings, static fn(Finding $f): bool => $f instanceof BreaksCluster)) {
                return new ClusterToOpen($cluster, $n + 1);
            }
        }

        return new ClusterToOpen($cluster, null);
    }

    /** A ball far from the rest, left for late. */
    private function far(Plan $plan, Rack $start): ?LeftForTheEnd
    {
        $order = array_map(static fn(PlannedShot $s): int => $s->pot->ball, \array_slice($plan->shots, $this->kept));
        if ($start->rules()->hasFixedOrder() || \count($order) < self::ENOUGH) {
            return null;
        }
        // The last ball counts for nothing: it may well lie beside the far one.
        $others = \array_slice($order, 0, -1);
        foreach (\array_slice($order, -min(self::LATE, intdiv(\count($order), 2))) as $ball) {
            $near = INF;
            foreach (array_diff($others, [$ball]) as $other) {
                $near = min($near, $start->layout->ball($ball)->distanceTo($start->layout->ball($other)));
            }
            if ($near > Defaults::FAR) {
                return new LeftForTheEnd($ball);
            }
        }

        return null;
    }

    /** Straight pool goes on: the table with one ball left, as the last shot leaves it. */
    private function end(Plan $plan): ?Rack
    {
        if (!$this->rack->rules()->endsWithBreakShot() || null !== $plan->stopped) {
            return null;
        }
        $line = $plan->line();
        $legs = LinePlayer::for($line)->play($line);
        $end = [] === $legs ? null : $legs[\count($legs) - 1]->after();

        return null !== $end && $end->has(BallId::CUE) && 1 === \count($end->objectBalls()) ? $line->withLayout($end) : null;
    }

    /**
     * @param list<Route> $others
     */
    private function other(Plan $plan, PlannedShot $first, array $others): ?OtherShot
    {
        // What is told of the plan may have been mended since.
        $times = $this->searched > 0.0 ? $plan->runOut / $this->searched : 1.0;
        foreach ($others as $route) {
            $chances = $route->chances->worth(min($route->chances->pot, $times * $route->chances->value));
            // One that is left out though it promises more, by its cushions, would only confuse.
            $isTold = $chances->value >= self::WORTH_TELLING * $plan->runOut && $chances->value < $plan->runOut + self::NOTHING;
            if ($isTold && !$route->pot->is($first->pot)) {
                return new OtherShot($route->pot, $route->pot->ball !== $first->pot->ball, $chances, $plan->runOut - $chances->value);
            }
        }

        return null;
    }

    /**
     * What better hands would give: the value of the same positions for a player with smaller errors.
     *
     * @return list<BetterSkill>
     */
    private function skill(Rack $start, float $runOut, float $now): array
    {
        if ($now < self::NOTHING) {
            return [];
        }
        $p = $start->player;
        $less = 1 - self::BETTER;
        $found = [];
        foreach ([
            [Skill::Speed, new Player($p->level, $p->aim, $p->speed * $less, $p->tip, $p->hand, $p->reach, $p->name)],
            [Skill::Aim, $p->withAim($p->aim * $less)],
        ] as [$skill, $better]) {
            $gain = $this->scaled($start->withPlayer($better), $this->constraints, $runOut, $now) - $runOut;
            if ($gain >= self::NOTHING) {
                $found[] = new BetterSkill($skill, self::BETTER, $gain);
            }
        }

        return $found;
    }

    /** @param float $now value of the cue ball's position, roughly */
    private function pinned(Rack $start, float $runOut, float $now): ?CostOfConstraints
    {
        return $this->constraints->isEmpty()
            ? null
            : new CostOfConstraints($this->scaled($start, new PlanConstraints(), $runOut, max($now, 1e-3)) - $runOut);
    }

    /** The chance to run out under other circumstances: as the value of the position, roughly, grows. */
    private function scaled(Rack $rack, PlanConstraints $constraints, float $runOut, float $now): float
    {
        $cue = $rack->layout->ball(BallId::CUE);
        $then = $this->planner->values->roughly($rack, $constraints)->valueAt(RemainingBalls::of($rack->layout), $cue->x, $cue->y);

        return min(1.0, $runOut * $then / $now);
    }
}
