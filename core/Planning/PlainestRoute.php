<?php

declare(strict_types=1);

namespace ZigLane\Core\Planning;

use ZigLane\Core\Routes\Route;
use ZigLane\Core\Routes\RouteSearch;
use ZigLane\Core\Routes\Style;

/**
 * Chooses among routes that are as good as each other.
 */
final class PlainestRoute
{
    /** Routes are as good as each other when they differ by less than this share. */
    private const AS_GOOD = 0.006;

    /** For a stop that keeps this share of what a route promises, so much of its value is given up. */
    private const PROMISE = 0.9;
    private const STEADY = 0.03;

    private function __construct() {}

    /**
     * Of routes as good as the best the one that is plainest to play: centre ball, little travel. Where the stop is asked for too,
     * one that leaves little when it is played exactly, and is good only by its misses, gives way to one that is nearly as good
     * and leaves what it promises.
     *
     * @param non-empty-list<Route>        $routes   the best first
     * @param array<int, RouteSearch>|null $searches that found them, by object id; null when the stop does not count
     */
    public static function among(array $routes, ?array $searches): Route
    {
        $best = $routes[0];
        if (null !== $searches) {
            $steady = array_filter($routes, static fn(Route $r): bool => $r->tries === $best->tries
                && $r->value >= (1 - self::STEADY) * $best->value
                && $searches[spl_object_id($r)]->evaluator()->valueAt($r->stop->x, $r->stop->y) * $r->pot >= self::PROMISE * $r->value);
            $routes = [] === $steady ? $routes : array_values($steady);
            $best = $routes[0];
        }
        $style = new Style();
        $chosen = $best;
        foreach ($routes as $route) {
            if (
                $route->tries === $best->tries
                && $route->value >= (1 - self::AS_GOOD) * $best->value
                && $style->liking($route) > $style->liking($chosen)
            ) {
                $chosen = $route;
            }
        }

        return $chosen;
    }
}
