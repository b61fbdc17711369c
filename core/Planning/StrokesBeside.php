<?php

declare(strict_types=1);

namespace ZigLane\Core\Planning;

use ZigLane\Core\Physics\Stroke;
use ZigLane\Core\Rack\Rack;
use ZigLane\Core\Routes\RouteSearch;

/**
 * A chosen shot a little softer and harder.
 *
 * @internal
 */
final class StrokesBeside
{
    /** Speeds as shares of the chosen one, and the share of its chance that they must keep (our own choice). */
    private const SPEEDS = [1.02, 0.98, 1.05, 0.95, 1.09, 0.91];
    private const ABOUT_AS_OFTEN = 0.92;

    private function __construct() {}

    /**
     * @param Planner $planner that chose it
     *
     * @return list<ChosenShot> those that run out about as often; none of a planner that only looks
     */
    public static function of(Planner $planner, Rack $rack, ChosenShot $choice): array
    {
        $route = $choice->route;
        $budget = $planner->budget;
        if (0 === $budget->refined) {
            return [];
        }
        $search = new RouteSearch($rack, $route->pot, $planner->evaluator($rack, $route->pot, $budget), $planner->errors);
        $ways = [];
        foreach (self::SPEEDS as $times) {
            $stroke = new Stroke($route->shot->speed * $times, $route->shot->tip->side, $route->shot->tip->height);
            $near = $search->route($stroke, $route->offset, $budget->tries);
            if (null !== $near && $near->chances->value >= self::ABOUT_AS_OFTEN * $route->chances->value) {
                $ways[] = new ChosenShot($near, $choice->stateValues, $choice->remaining, $choice->others);
            }
        }

        return $ways;
    }
}
