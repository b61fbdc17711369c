<?php

declare(strict_types=1);

namespace ZigLane\Core\Planning;

use ZigLane\Core\Rack\Rack;
use ZigLane\Core\Routes\Route;
use ZigLane\Core\Routes\Style;

/**
 * Chooses among routes that are as good as each other.
 */
final class PlainestRoute
{
    /**
     * Routes are as good as each other when they differ by less than this: by so much in chance, but by no more than so large a share
     * of it. About what 400 tries can tell. For someone who does not look at the stop, by a share alone.
     */
    private const AS_GOOD = 0.015;
    private const MOST_SHARE = 0.04;

    /** Of what is hardly ever run out so much is nothing, but no more than a third of it (our own choice). */
    private const NEXT_TO_NOTHING = 0.003;
    private const SHARE = 0.006;

    /** The last ball needs no position: there the plain way is worth a point. */
    private const AS_GOOD_AT_THE_END = 0.01;

    /** So much further from ball to ball is no shorter way, m. */
    private const DETOUR = 0.3;

    /** For a stop that keeps this share of what a route promises, so much of its value is given up. */
    private const PROMISE = 0.9;
    private const STEADY = 0.03;

    /** Routes that move others in more than MOVES of the tries must be so much (share) better than one that hardly ever does. */
    private const MOVES = 0.3;
    private const UNSURE = 0.05;

    /**
     * A real table's cushions are known less well than the model's: beyond so many each costs a share of what is promised (our own
     * choice).
     */
    private const CUSHIONS = 2;
    private const CUSHION = 0.015;

    /** What is potted so many times as often as by the best, and leads about as far, goes first (our own choice). */
    private const LIKELIER = 1.5;
    private const HALF_A_POINT = 0.005;

    private function __construct() {}

    /**
     * Of routes as good as the best the one that is plainest to play: centre ball, little travel. Where the stop is asked for too,
     * one that leaves little when it is played exactly, and is good only by its misses, gives way to one that is nearly as good
     * and leaves what it promises.
     *
     * @param Rack                         $rack   as the shot finds it
     * @param non-empty-list<Route>        $routes the best first
     * @param (\Closure(Route): float)|null $leaves what a route leaves when it is played exactly, 0–1; null when the stop does not
     *                                             count
     */
    public static function among(Rack $rack, array $routes, ?\Closure $leaves): Route
    {
        $routes = self::sure(self::likely($routes));
        $best = $routes[0];
        if (null !== $leaves) {
            $steady = array_filter($routes, static fn(Route $r): bool => $r->chances->tries === $best->chances->tries
                && $r->chances->value >= (1 - self::STEADY) * $best->chances->value
                && $leaves($r) * $r->chances->pot >= self::PROMISE * $r->chances->value);
            $routes = [] === $steady ? $routes : array_values($steady);
            $best = $routes[0];
        }
        $routes = self::clean($routes);
        $best = $routes[0];
        $value = $best->chances->value;
        $least = $value - match (true) {
            null === $leaves => self::SHARE * $value,
            null === $best->next => self::AS_GOOD_AT_THE_END * $value,
            default => max(min(self::AS_GOOD, self::MOST_SHARE * $value), min(self::NEXT_TO_NOTHING, $value / 3)),
        };
        $alike = array_filter(
            $routes,
            static fn(Route $r): bool => $r->chances->tries === $best->chances->tries && $r->chances->value >= $least,
        );
        $alike = self::alongTheLine($rack, self::onTheWay($rack, array_values($alike)));
        $style = new Style();
        usort($alike, static fn(Route $a, Route $b): int => null === $best->next
            ? self::effort($a) <=> self::effort($b)
            : $style->liking($b) <=> $style->liking($a));

        return $alike[0];
    }

    /**
     * Without routes that move other balls for next to nothing: what that leaves is known less surely.
     *
     * @param non-empty-list<Route> $routes the best first
     *
     * @return non-empty-list<Route>
     */
    private static function clean(array $routes): array
    {
        $best = $routes[0];
        if ($best->chances->touches <= self::MOVES) {
            return $routes;
        }
        $clean = array_values(array_filter($routes, static fn(Route $r): bool => $r->chances->touches <= self::MOVES));
        $good = isset($clean[0]) && $clean[0]->chances->tries === $best->chances->tries
            && $clean[0]->chances->value >= (1 - self::UNSURE) * $best->chances->value;

        return $good ? $clean : $routes;
    }

    /**
     * Those that are potted much more often than the best and lead as far, if there are any: a turn that goes on is worth more than one
     * that ends.
     *
     * @param non-empty-list<Route> $routes the best first
     *
     * @return non-empty-list<Route>
     */
    private static function likely(array $routes): array
    {
        $best = $routes[0];
        $value = $best->chances->value;
        $least = max($value / 2, min((1 - self::UNSURE) * $value, $value - self::HALF_A_POINT));
        $likely = array_values(array_filter($routes, static fn(Route $r): bool => $r->chances->tries === $best->chances->tries
            && $r->chances->value >= $least
            && $r->chances->pot >= self::LIKELIER * $best->chances->pot));

        return [] === $likely ? $routes : $likely;
    }

    /**
     * Without routes that go round more cushions than what they promise is worth.
     *
     * @param non-empty-list<Route> $routes the best first
     *
     * @return non-empty-list<Route>
     */
    private static function sure(array $routes): array
    {
        $surest = $routes[0];
        $most = 0.0;
        foreach ($routes as $route) {
            $worth = $route->chances->value * (1 - self::CUSHION * max(0, \count($route->family->rails) - self::CUSHIONS));
            if ($route->chances->tries === $routes[0]->chances->tries && $worth > $most) {
                [$most, $surest] = [$worth, $route];
            }
        }
        $others = array_filter(
            $routes,
            static fn(Route $r): bool => $r !== $surest && $r->chances->value <= $surest->chances->value,
        );

        return [$surest, ...array_values($others)];
    }

    /**
     * Of routes that begin with different balls those from which it is not far to the others.
     *
     * @param list<Route> $routes
     *
     * @return list<Route>
     */
    private static function onTheWay(Rack $rack, array $routes): array
    {
        $far = [];
        foreach ($routes as $route) {
            $far[$route->pot->ball] ??= Tour::through($rack, $route->pot->ball);
        }
        $least = [] === $far ? 0.0 : min($far);

        return array_values(array_filter($routes, static fn(Route $r): bool => $far[$r->pot->ball] <= $least + self::DETOUR));
    }

    /**
     * Where some come to their stop along the line of the next shot, those only, and those that hardly travel.
     *
     * @param list<Route> $routes
     *
     * @return list<Route>
     */
    private static function alongTheLine(Rack $rack, array $routes): array
    {
        $arrivals = array_map(static fn(Route $r): ?Arrival => Arrival::of($rack, $r), $routes);
        if ([] === array_filter($arrivals, static fn(?Arrival $a): bool => null === $a || $a->isAlong())) {
            return $routes;
        }

        return array_values(array_filter(
            $routes,
            static fn(int $n): bool => null === $arrivals[$n] || $arrivals[$n]->isNearlyAlong(),
            \ARRAY_FILTER_USE_KEY,
        ));
    }

    /**
     * What a stroke asks for where nothing comes after it: side first, then cushions, then draw, then speed.
     *
     * @return list<int|float>
     */
    private static function effort(Route $route): array
    {
        $tip = $route->shot->tip;

        return [round(abs($tip->side), 1), \count($route->family->rails), round(max(0.0, -$tip->height), 1), $route->shot->speed];
    }
}
