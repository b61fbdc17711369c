<?php

declare(strict_types=1);

namespace ZigLane\Core\Planning;

use ZigLane\Core\Finding;
use ZigLane\Core\Physics\Layout;
use ZigLane\Core\Planning\Finding\AlongTheLine;
use ZigLane\Core\Planning\Finding\BreaksCluster;
use ZigLane\Core\Planning\Finding\BumpsFree;
use ZigLane\Core\Planning\Finding\KeyShot;
use ZigLane\Core\Planning\Finding\RightSide;
use ZigLane\Core\Planning\Finding\RoundTheTable;
use ZigLane\Core\Planning\Finding\RunsInto;
use ZigLane\Core\Planning\Finding\Side;
use ZigLane\Core\Planning\Value\RemainingBalls;
use ZigLane\Core\Potting\PotChance;
use ZigLane\Core\Potting\ShotSampler;
use ZigLane\Core\Rack\Rack;
use ZigLane\Core\Reading\Openings;

/**
 * What a planned shot turns on.
 */
final class ShotPurpose
{
    /** One side of a ball's line leads on so many times better than the other: then it matters. */
    private const RIGHT_SIDE = 1.3;

    /** Where the better side leads to less than this, 0–1, neither is the right one (our own choice). */
    private const WORTH_A_SIDE = 0.05;

    /** A ball moved in so many of the tries is moved on purpose. */
    public const ON_PURPOSE = 0.5;

    private function __construct() {}

    /** More than so much beside the route itself nobody remembers at the table. */
    private const MOST = 2;

    /** A way over so many cushions or more is worth a word. */
    private const ROUND = 3;

    /** A shorter way is told of where it would lose so much. */
    private const WORTH_THE_ROUND = 0.03;

    /** So long a straight way to the stop (m) is worth a word on where it comes from. */
    private const LONG = 1.0;

    /** So much softer and harder (share) that the next ball is still left is room for an error. */
    private const ROOM = 0.1;

    /**
     * The most important first, and only those.
     *
     * @return list<Finding>
     */
    public static function of(Rack $rack, ChosenShot $choice): array
    {
        $all = array_filter([
            self::moved($rack, $choice),
            self::key($rack, $choice),
            self::rightSide($rack, $choice),
            self::round($choice),
            self::line($rack, $choice),
        ]);

        return \array_slice(array_values($all), 0, self::MOST);
    }

    private static function rightSide(Rack $rack, ChosenShot $choice): ?RightSide
    {
        $route = $choice->route;
        if (null === $route->next || $choice->stateValues->isOver($choice->left()->without($route->next->ball))) {
            return null;
        }
        $ball = $route->next->ball;
        [$left, $right] = $choice->stateValues->continuations->sides($choice->stateValues, $choice->left(), $route->next);
        $most = max($left, $right);
        if ($most < max(self::WORTH_A_SIDE, self::RIGHT_SIDE * min($left, $right))) {
            return null;
        }
        $only = new Layout([$ball => $rack->layout->without($route->pot->ball)->ball($ball)]);
        $pot = new PotChance($rack->simulator(), $only, $route->next, $rack->player);
        $side = $left > $right ? Side::Left : Side::Right;
        $leaves = $pot->cutFrom($route->stop->x, $route->stop->y) > 0.0 ? Side::Left : Side::Right;

        return $side === $leaves ? new RightSide($ball, $side, $most, min($left, $right)) : null;
    }

    /** Told of long ways only: on a short one everybody sees it. */
    private static function line(Rack $rack, ChosenShot $choice): ?AlongTheLine
    {
        $arrival = Arrival::of($rack, $choice->route);
        if (null === $choice->route->next || null === $arrival || $arrival->way < self::LONG) {
            return null;
        }

        $window = $choice->route->window;
        $isWide = null !== $window && $window->low <= 1 - self::ROOM && $window->high >= 1 + self::ROOM;

        return match (true) {
            $isWide && $arrival->isAlong() => new AlongTheLine($choice->route->next->ball, true),
            !$isWide && $arrival->isAcross() => new AlongTheLine($choice->route->next->ball, false),
            default => null,
        };
    }

    private static function moved(Rack $rack, ChosenShot $choice): ?Finding
    {
        $route = $choice->route;
        if ($route->chances->touches < self::ON_PURPOSE || $choice->stateValues->isOver($choice->left())) {
            return null;
        }
        $sampler = new ShotSampler($rack->simulator(), $rack->layout, $route->pot);
        $state = $sampler->run($route->shot->stroke());
        $moved = null === $state ? [] : $sampler->moved($state);
        if ([] === $moved) {
            return null;
        }
        $pots = $choice->stateValues->pots;
        $cluster = RemainingBalls::ballsIn($pots->cluster);
        if ([] !== $cluster && [] !== array_intersect($moved, $cluster)) {
            return new BreaksCluster($cluster, self::insurance($rack, $choice, $moved));
        }
        // What the other player has to pot may lie as it likes.
        $own = array_intersect($moved, $rack->rules()->ownBalls($rack->layout));
        $badly = array_values(array_filter($own, static fn(int $b): bool => $pots->liesBadly($choice->left(), $b)));

        return [] === $badly ? new RunsInto($moved) : new BumpsFree($badly);
    }

    /**
     * A ball that may be shot next and goes in most pockets, not touched.
     *
     * @param list<int> $moved
     */
    private static function insurance(Rack $rack, ChosenShot $choice, array $moved): ?int
    {
        $best = null;
        $most = 1;
        $then = $rack->layout->without($choice->route->pot->ball);
        foreach ($choice->stateValues->due($choice->left()) as $ball) {
            $ways = \in_array($ball, $moved, true) || $choice->stateValues->pots->isInCluster($ball)
                ? 0
                : \count(Openings::goingOf($rack->simulator(), $then, $ball));
            if ($ways > $most) {
                $most = $ways;
                $best = $ball;
            }
        }

        return $best;
    }

    private static function key(Rack $rack, ChosenShot $choice): ?KeyShot
    {
        if ($rack->rules()->hasFixedOrder()) {
            return null;
        }
        $ball = $choice->route->pot->ball;
        if ($rack->rules()->endsWithBreakShot()) {
            $left = $choice->left()->members();

            return 1 === \count($left) ? new KeyShot($ball, $left[0], true) : null;
        }
        $last = $rack->rules()->lastBall($rack->layout);

        return null !== $last && [$last] === $choice->stateValues->due($choice->left()) ? new KeyShot($ball, $last, false) : null;
    }

    private static function round(ChosenShot $choice): ?RoundTheTable
    {
        $rails = $choice->route->family->rails;
        $least = $choice->route->chances->value - self::WORTH_THE_ROUND;
        if (\count($rails) < self::ROUND || null === $choice->route->next) {
            return null;
        }
        foreach ($choice->others as $other) {
            if ($other->pot->is($choice->route->pot) && \count($other->family->rails) < self::ROUND && $other->chances->value < $least) {
                return new RoundTheTable($rails, $other->family, $other->chances->value);
            }
        }

        return null;
    }
}
