<?php

declare(strict_types=1);

namespace ZigLane\Core\Planning;

use ZigLane\Core\Physics\Stroke;
use ZigLane\Core\Routes\Route;
use ZigLane\Core\Routes\RouteSearch;

/**
 * A pot with the routes that were found for it.
 *
 * @internal
 */
final readonly class SearchedPot
{
    /** @param non-empty-list<Route> $routes the best first */
    public function __construct(public RouteSearch $search, public array $routes) {}

    /** The best route. */
    public function best(): Route
    {
        return $this->routes[0];
    }

    /**
     * The same pot searched again from other strokes; as it is when nothing is found.
     *
     * @param list<Stroke> $strokes
     */
    public function again(array $strokes, int $refined, int $rounds, int $tries): self
    {
        $routes = $this->search->from($strokes, $refined, $rounds, $tries);

        return [] === $routes ? $this : new self($this->search, $routes);
    }
}
