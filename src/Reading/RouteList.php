<?php

declare(strict_types=1);

namespace ZigLane\App\Reading;

use ZigLane\Core\Routes\Route;

/**
 * Routes found so far for a leg.
 */
final readonly class RouteList
{
    /**
     * @param list<Route> $routes the best first
     * @param int         $played shots played for it
     * @param float       $seconds worked on it
     */
    public function __construct(public array $routes, public bool $settled, public int $played, public float $seconds) {}
}
