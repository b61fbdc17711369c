<?php

declare(strict_types=1);

namespace ZigLane\Core\Planning;

use ZigLane\Core\Equipment\BallId;
use ZigLane\Core\Games\Group;
use ZigLane\Core\Geometry\Point;
use ZigLane\Core\Planning\Value\RemainingBalls;
use ZigLane\Core\Rack\Rack;
use ZigLane\Core\Routes\Route;

/**
 * How a plan begins where that is free: where the ball in hand is put down, and which group is taken on an open table.
 */
final class Beginnings
{
    /** A group with less than this share of the other's value is not looked into. */
    private const NEAR_GROUP = 0.8;

    /** @var array<string, float> by group */
    private array $groups = [];

    public function __construct(private readonly Planner $planner) {}

    /**
     * The rack with the cue ball put down and, on an open table, a group taken: as the best plan begins.
     *
     * @param array{Rack, Route}|null $known a beginning that was found before: it is among those looked at
     *
     * @return array{Rack, ChosenShot|null}
     */
    public function best(Rack $rack, ?array $known = null): array
    {
        $racks = [$rack];
        if ($rack->rules()->isTableOpen()) {
            $racks = $this->groupsTaken($rack);
        }
        $laid = null === $known ? [] : [$known[0]];
        foreach (array_merge(...array_map($this->laid(...), $racks)) as $one) {
            if (null === $known || !self::isSame($one, $known[0])) {
                $laid[] = $one;
            }
        }
        if (\count($laid) > 1 && $this->planner->budget->refined > 0) {
            $laid = [$this->likeliest($laid)];
        }
        $best = [$laid[0] ?? $racks[0], null];
        foreach ($laid as $one) {
            $choice = $this->planner->next($one, null, null !== $known && $one === $known[0] ? $known[1] : null);
            if (null !== $choice && (null === $best[1] || $choice->runOut() > $best[1]->runOut())) {
                $best = [$one, $choice];
            }
        }

        return $best;
    }

    /**
     * The rack with the cue ball at its likeliest places.
     *
     * @return list<Rack>
     */
    private function laid(Rack $rack): array
    {
        $inHand = $rack->ballInHand || !$rack->layout->has(BallId::CUE);
        $places = $inHand ? BallInHand::places($rack, $this->planner->values->of($rack)) : [$rack->layout->ball(BallId::CUE)];

        return array_map(static fn(Point $place): Rack => $rack->withBall(BallId::CUE, $place)->withBallInHand(false), $places);
    }

    private static function isSame(Rack $one, Rack $other): bool
    {
        return $one->group === $other->group && 0.0 === $one->layout->ball(BallId::CUE)->distanceTo($other->layout->ball(BallId::CUE));
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
        $looked = [];
        foreach ($racks as $rack) {
            $value = $this->planner->next($rack, SearchBudget::quick())?->runOut() ?? 0.0;
            $group = $rack->group->value ?? '';
            $looked[$group] = max($value, $looked[$group] ?? 0.0);
            if ($value > $most) {
                $most = $value;
                $best = $rack;
            }
        }
        // The chosen group is the better one by this look, whatever the values said.
        $this->groups = [] === $this->groups || \count($looked) < \count($this->groups) ? $this->groups : $looked;

        return $best;
    }

    /**
     * What the groups come to on an open table beside each other, once best() has compared them.
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
    private function groupsTaken(Rack $rack): array
    {
        $ranked = [];
        foreach (self::groupsLeft($rack->layout->objectBalls()) as $group) {
            $one = $rack->withGroup($group);
            $stateValues = $this->planner->values->of($one);
            $remaining = RemainingBalls::of($one->layout);
            $cue = $one->ballInHand || !$one->layout->has(BallId::CUE) ? null : $one->layout->ball(BallId::CUE);
            $worth = null === $cue ? $stateValues->highest($remaining) : $stateValues->valueAt($remaining, $cue->x, $cue->y);
            $this->groups[$group->value] = $worth;
            $ranked[] = [$worth, $one];
        }
        usort($ranked, static fn(array $a, array $b): int => $b[0] <=> $a[0]);
        [$best, $first] = array_shift($ranked);
        $close = array_filter($ranked, static fn(array $one): bool => $one[0] >= self::NEAR_GROUP * $best);

        return [$first, ...array_column($close, 1)];
    }

    /**
     * The groups that can be taken: one that has no ball left cannot, unless both have none.
     *
     * @param list<int> $balls
     *
     * @return non-empty-list<Group>
     */
    private static function groupsLeft(array $balls): array
    {
        $left = array_filter(Group::cases(), static fn(Group $group): bool => [] !== array_filter($balls, $group->owns(...)));

        return [] === $left ? Group::cases() : array_values($left);
    }
}
