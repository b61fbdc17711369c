<?php

declare(strict_types=1);

namespace ZigLane\Core\Planning;

use ZigLane\Core\Physics\Layout;
use ZigLane\Core\Planning\Value\RemainingBalls;
use ZigLane\Core\Potting\PotChance;
use ZigLane\Core\Potting\ShotSampler;
use ZigLane\Core\Rack\Rack;
use ZigLane\Core\Reading\Openings;

/**
 * What a planned shot turns on, in the trade's words.
 */
final class ShotPurpose
{
    /** One side of a ball's line leads on so many times better than the other: then it matters. */
    private const RIGHT_SIDE = 1.3;

    /** A ball moved in so many of the tries is moved on purpose. */
    private const ON_PURPOSE = 0.5;

    private function __construct() {}

    /**
     * @return list<string> whole sentences
     */
    public static function of(Rack $rack, ChosenShot $choice): array
    {
        return array_values(array_filter([
            self::moved($rack, $choice),
            self::key($rack, $choice),
            self::round($choice),
            self::rightSide($rack, $choice),
        ]));
    }

    private static function rightSide(Rack $rack, ChosenShot $choice): ?string
    {
        $route = $choice->route;
        if (null === $route->next || $choice->stateValues->isOver($choice->left()->without($route->next->ball))) {
            return null;
        }
        $ball = $route->next->ball;
        [$left, $right] = $choice->stateValues->continuations->sides($choice->stateValues, $choice->left(), $route->next);
        $most = max($left, $right);
        if ($most < self::RIGHT_SIDE * min($left, $right)) {
            return null;
        }
        $then = $rack->layout->without($route->pot->ball);
        $cut = (new PotChance($rack->simulator(), new Layout([$ball => $then->ball($ball)]), $route->next, $rack->player))->cutFrom($route->stop->x, $route->stop->y);
        $side = $left > $right ? 'left' : 'right';
        if ($side !== ($cut > 0.0 ? 'left' : 'right')) {
            return null;
        }

        return \sprintf(
            'Stay on the right side of the %d, %s of its line: from there the rest is about %.0f %%, from the other side %.0f %%.',
            $ball,
            $side,
            100 * $most,
            100 * min($left, $right),
        );
    }

    private static function moved(Rack $rack, ChosenShot $choice): ?string
    {
        $route = $choice->route;
        if ($route->chances->touches < self::ON_PURPOSE) {
            return null;
        }
        $sampler = new ShotSampler($rack->simulator(), $rack->layout, $route->pot);
        $state = $sampler->run($route->shot->stroke());
        $moved = null === $state ? [] : $sampler->moved($state);
        if ([] === $moved) {
            return null;
        }
        $cluster = array_values(array_filter($moved, static fn(int $b): bool => $choice->stateValues->pots->isInCluster($b)));
        if ([] === $cluster) {
            $badly = array_values(
                array_filter($moved, static fn(int $b): bool => $choice->stateValues->pots->liesBadly($choice->left(), $b)),
            );

            return [] === $badly
                ? \sprintf('Runs into the %s on the way.', self::balls($moved))
                : \sprintf('Bumps the %s to where it goes: as it lies, it does not from much of the table.', self::balls($badly));
        }
        $say = \sprintf(
            'Breaks the cluster of the %s on the way.',
            self::balls(RemainingBalls::ballsIn($choice->stateValues->pots->cluster)),
        );
        $insurance = self::insurance($rack, $choice, $moved);

        return $say . (null === $insurance ? '' : " The $insurance is the insurance ball: it goes wherever the cue ball stops.");
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
            $ways = \in_array($ball, $moved, true) || $choice->stateValues->pots->isInCluster($ball) ? 0 : \count(
                Openings::goingOf($rack->simulator(), $then, $ball),
            );
            if ($ways > $most) {
                $most = $ways;
                $best = $ball;
            }
        }

        return $best;
    }

    private static function key(Rack $rack, ChosenShot $choice): ?string
    {
        $left = $choice->left()->members();
        if ($rack->rules()->hasFixedOrder()) {
            return null;
        }
        if ($rack->rules()->endsWithBreakShot()) {
            return 1 === \count($left) ? \sprintf(
                'The %d is the key ball: it leaves the cue ball for the break ball, the %d.',
                $choice->route->pot->ball,
                $left[0],
            ) : null;
        }

        return [8] === $choice->stateValues->due($choice->left())
            ? \sprintf('The %d is the key ball: it leads to the 8.', $choice->route->pot->ball)
            : null;
    }

    private static function round(ChosenShot $choice): ?string
    {
        $rails = \count($choice->route->family->rails);
        if ($rails < 3) {
            return null;
        }
        $say = \sprintf(
            'Goes round %s cushions (%s)',
            [3 => 'three', 4 => 'four', 5 => 'five'][$rails] ?? (string) $rails,
            implode(', ', $choice->route->family->rails),
        );
        foreach ($choice->others as $other) {
            if ($other->pot->is($choice->route->pot) && \count($other->family->rails) < 3) {
                return $say . \sprintf('; %s would keep about %.0f %%.', $other->family->words(), 100 * $other->chances->value);
            }
        }

        return "$say.";
    }

    /**
     * "4, 7 and 9".
     *
     * @param list<int> $balls
     */
    public static function balls(array $balls): string
    {
        $last = array_pop($balls);

        return [] === $balls ? (string) $last : implode(', ', $balls) . " and $last";
    }
}
