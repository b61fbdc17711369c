<?php

declare(strict_types=1);

namespace ZigLane\Core\Planning;

use ZigLane\Core\Equipment\BallId;
use ZigLane\Core\Games\Group;
use ZigLane\Core\Line\LinePlayer;
use ZigLane\Core\Planning\Value\RemainingBalls;
use ZigLane\Core\Planning\Value\StateValues;
use ZigLane\Core\Player\Player;
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

    /** @param int $kept shots of the plan that are the player's own */
    public function __construct(
        private Rack $rack,
        private Planner $planner,
        private PlanConstraints $constraints,
        private int $kept = 0,
    ) {}

    /**
     * @param list<Route> $others other ways to play the first shot
     */
    public function explained(Plan $plan, array $others, bool $settled): Plan
    {
        $hinge = null;
        $least = 0.97;
        foreach (array_keys($plan->shots) as $n) {
            if ($n >= $this->kept && $plan->kept($n + 1) < $least) {
                $least = $plan->kept($n + 1);
                $hinge = $n + 1;
            }
        }
        $says = [];
        $break = null;
        if ($settled && isset($plan->shots[$this->kept])) {
            $first = $plan->shots[$this->kept];
            $start = $plan->rack->withLayout($first->before);
            $stateValues = $this->planner->values->of($start);
            $remaining = RemainingBalls::of($start->layout);
            $cue = $start->layout->ball(BallId::CUE);
            $now = $this->planner->values->roughly($start)->valueAt($remaining, $cue->x, $cue->y);
            $end = $this->end($plan);
            $break = null === $end ? null : BreakShotSearch::best($end);
            $says = [
                ...$this->group($plan),
                ...$this->order($start, $stateValues, $remaining, $plan),
                ...$this->far($plan, $start),
                ...(null === $end ? [] : [
                    $break?->words() ?? \sprintf(
                        'From there the %d is no break ball: nothing that pots it opens the rack.',
                        $end->layout->objectBalls()[0],
                    ),
                ]),
                ...self::other($plan, $first, $others),
                ...$this->skill($start, $remaining, $first->runOut, $now),
                ...$this->pinned($start, $remaining, $first->runOut, $now),
            ];
        }
        if (null !== $hinge) {
            $shot = $plan->shots[$hinge - 1];
            array_unshift(
                $says,
                \sprintf(
                    'The hinge is shot %d, the %d: it keeps %.0f %% of what is left to win, less than any other.',
                    $hinge,
                    $shot->ball,
                    100 * $least,
                ),
            );
        }

        return new Plan($plan->rack, $plan->shots, $plan->runOut, $plan->stopped, $says, $hinge, $settled, $break);
    }

    /**
     * @return list<string>
     */
    private function group(Plan $plan): array
    {
        $group = $plan->rack->group;
        if (null === $group || null !== $this->rack->group) {
            return [];
        }
        $other = Group::Solids === $group ? Group::Stripes : Group::Solids;
        $value = $this->planner->groups();
        if (!isset($value[$group->value], $value[$other->value])) {
            return ["Take {$group->value}."];
        }

        return [
            \sprintf(
                'Take %s: about %.0f %%, with %s about %.0f %%.',
                $group->value,
                100 * $value[$group->value],
                $other->value,
                100 * $value[$other->value],
            ),
        ];
    }

    /**
     * What forces the order.
     *
     * @return list<string>
     */
    private function order(Rack $start, StateValues $stateValues, RemainingBalls $remaining, Plan $plan): array
    {
        $says = [];
        $own = $start->rules()->ownBalls($start->layout);
        $turn = array_flip(array_map(static fn(PlannedShot $s): int => $s->ball, $plan->shots));
        foreach ($own as $ball) {
            if (!$stateValues->pots->liesBadly($remaining, $ball)) {
                continue;
            }
            foreach ($own as $other) {
                $without = $remaining->without($other);
                if (
                    $other !== $ball
                    && !$stateValues->pots->liesBadly($without, $ball)
                    && $stateValues->pots->room($without, $ball) > self::FREED * $stateValues->pots->room($remaining, $ball)
                ) {
                    $says[] = isset($turn[$ball], $turn[$other]) && $turn[$other] > $turn[$ball]
                        ? \sprintf('The %d is in the way of the %d and comes after it.', $other, $ball)
                        : \sprintf('The %d must go before the %d: it is in its way.', $other, $ball);
                    break;
                }
            }
        }
        $cluster = RemainingBalls::ballsIn($stateValues->pots->cluster & $remaining->bits);
        if ([] !== $cluster) {
            $breaks = null;
            foreach ($plan->shots as $n => $shot) {
                foreach ($shot->ideas as $idea) {
                    $breaks ??= str_starts_with($idea, 'Breaks') ? $n + 1 : null;
                }
            }
            $says[] = 1 === \count($cluster)
                ? "The {$cluster[0]} goes nowhere as it lies."
                : \sprintf(
                    'The %s lie in a cluster and go only once it is open%s.',
                    ShotPurpose::balls($cluster),
                    null === $breaks ? '' : "; shot $breaks opens it",
                );
        }

        return $says;
    }

    /**
     * A ball far from the rest, left for late.
     *
     * @return list<string>
     */
    private function far(Plan $plan, Rack $start): array
    {
        $order = array_map(static fn(PlannedShot $s): int => $s->ball, \array_slice($plan->shots, $this->kept));
        if ($start->rules()->hasFixedOrder() || \count($order) < 4) {
            return [];
        }
        foreach (\array_slice($order, -3) as $ball) {
            $near = INF;
            foreach ($order as $other) {
                // The last ball counts for nothing: it may well lie beside the far one.
                $near = $other === $ball || $other === $order[\count($order) - 1] ? $near : min(
                    $near,
                    $start->layout->ball($ball)->distanceTo($start->layout->ball($other)),
                );
            }
            if ($near > Defaults::FAR) {
                return [\sprintf('The %d lies far from the rest and is left for the end.', $ball)];
            }
        }

        return [];
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
     *
     * @return list<string>
     */
    private static function other(Plan $plan, PlannedShot $first, array $others): array
    {
        foreach ($others as $route) {
            if ($route->pot->ball !== $first->ball || $route->pot->pocket !== $first->pocket) {
                $less = 100 * ($plan->runOut - $route->chances->value);
                $what = $route->pot->ball !== $first->ball ? \sprintf('The %d first', $route->pot->ball) : \sprintf(
                    'The %d in the %s pocket',
                    $route->pot->ball,
                    $route->pot->pocket->spoken(),
                );

                return [
                    \sprintf(
                        '%s instead: about %.0f %%, %s; pot %.0f %%, position %.0f %%.',
                        $what,
                        100 * $route->chances->value,
                        $less < 0.5 ? 'as good' : \sprintf('%.0f points less', $less),
                        100 * $route->chances->pot,
                        100 * $route->chances->position,
                    ),
                ];
            }
        }

        return [];
    }

    /**
     * What better hands would give: the value of the same positions for a player with smaller errors.
     *
     * @return list<string>
     */
    private function skill(Rack $start, RemainingBalls $remaining, float $runOut, float $now): array
    {
        $cue = $start->layout->ball(BallId::CUE);
        if ($now < 0.005) {
            return [];
        }
        $p = $start->player;
        $less = 1 - self::BETTER;
        $says = [];
        foreach ([
            'speed control' => new Player($p->level, $p->aim, $p->speed * $less, $p->tip, $p->hand, $p->reach, $p->name),
            'aim' => $p->withAim($p->aim * $less),
        ] as $skill => $better) {
            $then = $this->planner->values->roughly($start->withPlayer($better))->valueAt($remaining, $cue->x, $cue->y);
            $more = min(1.0, $runOut * $then / $now) - $runOut;
            if ($more >= 0.005) {
                $says[] = \sprintf('%.0f %% better %s: +%.0f points.', 100 * self::BETTER, $skill, 100 * $more);
            }
        }

        return $says;
    }

    /**
     * @param float $now value of the cue ball's position, roughly
     *
     * @return list<string>
     */
    private function pinned(Rack $start, RemainingBalls $remaining, float $runOut, float $now): array
    {
        if ($this->constraints->isEmpty()) {
            return [];
        }
        $cue = $start->layout->ball(BallId::CUE);
        $now = max($now, 1e-3);
        $free = $this->planner->values->roughly($start, new PlanConstraints())->valueAt($remaining, $cue->x, $cue->y);
        $cost = min(1.0, $runOut * $free / $now) - $runOut;

        return [
            $cost < 0.005 ? 'What is pinned costs nothing to speak of.' : \sprintf('What is pinned costs about %.0f points.', 100 * $cost),
        ];
    }
}
