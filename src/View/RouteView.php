<?php

declare(strict_types=1);

namespace ZigLane\App\View;

use ZigLane\Core\Equipment\BallId;
use ZigLane\Core\Rack\Rack;
use ZigLane\Core\Rack\ShotSpec;
use ZigLane\Core\Routes\Route;
use ZigLane\Core\Routes\TakeOver;
use ZigLane\Core\Wording\RouteWording;

/**
 * One alternative as the page shows it: its path in mm, its words, and the leg it would become.
 */
final readonly class RouteView
{
    public string $path;
    public string $ballPath;

    /** @var array{x: string, y: string}|null */
    public ?array $stop;
    public string $why;
    public string $against;
    public ShotSpec $spec;

    /**
     * @param string     $letter to tell it by
     * @param Rack       $rack   as the leg finds it
     * @param Route|null $next   the one after it in the list
     */
    public function __construct(
        public string $letter,
        public Route $route,
        Rack $rack,
        ?Route $next,
        public bool $chosen = false,
        public float $cost = 0.0,
    ) {
        $result = $rack->simulator()->play($rack->layout, $route->shot);
        $this->path = Svg::path($result->paths[BallId::CUE] ?? []);
        $this->ballPath = Svg::path($result->paths[$route->pot->ball] ?? []);
        $this->stop = LegDrawing::mark($route->stop);
        $this->why = RouteWording::why($route);
        $this->against = null === $next || null !== $route->freed || null !== $next->freed ? '' : RouteWording::against($route, $next);
        $this->spec = TakeOver::spec($rack, $route->pot, $route->shot);
    }

    /**
     * @param list<Route> $routes
     *
     * @return list<self>
     */
    public static function all(array $routes, Rack $rack, ?Route $chosen = null, float $cost = 0.0): array
    {
        $views = [];
        foreach ($routes as $n => $route) {
            $views[] = new self(
                \chr(\ord('A') + $n),
                $route,
                $rack,
                $routes[$n + 1] ?? null,
                $route === $chosen,
                $route === $chosen ? $cost : 0.0,
            );
        }

        return $views;
    }
}
