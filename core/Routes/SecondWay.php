<?php

declare(strict_types=1);

namespace ZigLane\Core\Routes;

use ZigLane\Core\Aiming\Pot;
use ZigLane\Core\Physics\Shot;
use ZigLane\Core\Physics\Stroke;
use ZigLane\Core\Rack\Rack;

/**
 * Another way to play a pot: for a sheet that shows two.
 */
final class SecondWay
{
    /** It is worth at least so much of the best way there is (our own choice). */
    private const SENSIBLE = 0.6;

    /** Tries by which the first way's family is found: it is not judged. */
    private const FEW = 8;

    private function __construct() {}

    /**
     * The best way of another family than a shot's: other rails or another spin.
     *
     * @param Rack $rack as the shot finds it
     *
     * @return Route|null null where no other is sensible
     */
    public static function to(Rack $rack, Pot $pot, Shot $first): ?Route
    {
        $search = new RouteSearch($rack, $pot);
        $routes = $search->settled();
        $own = $search->route(new Stroke($first->speed, $first->tip->side, $first->tip->height), 0.0, self::FEW);
        $most = $routes[0]->chances->value ?? 0.0;
        foreach ($routes as $route) {
            if ($route->family->key() !== $own?->family->key() && $route->chances->value >= self::SENSIBLE * $most) {
                return $route;
            }
        }

        return null;
    }
}
