<?php

declare(strict_types=1);

namespace ZigLane\Core\Routes;

/**
 * How a player likes to play. A style settles near-ties only; what it costs is told.
 */
final readonly class Style
{
    /** Routes this much apart in value are as good as each other. */
    public const NEAR = 0.02;

    /** Slower than this a ball is rolled or dragged, m/s. */
    private const SLOW = 2.0;

    /**
     * @param bool $spot     one exact spot, else an area
     * @param bool $outside  a touch of outside spin on cuts, else the centre
     * @param bool $cushions uses cushions, else the shortest travel
     * @param bool $drag     drags slow shots, else rolls them
     * @param bool $inside   has nothing against inside spin
     */
    public function __construct(
        public bool $spot = false,
        public bool $outside = false,
        public bool $cushions = false,
        public bool $drag = false,
        public bool $inside = false,
    ) {}

    /**
     * The route this style plays among near-ties, and what that costs in value.
     *
     * @param non-empty-list<Route> $routes the best first
     *
     * @return array{Route, float}
     */
    public function choose(array $routes): array
    {
        $best = $routes[0];
        $chosen = $best;
        $most = -INF;
        foreach ($routes as $route) {
            if ($best->chances->value - $route->chances->value <= self::NEAR && $this->liking($route) > $most) {
                $most = $this->liking($route);
                $chosen = $route;
            }
        }

        return [$chosen, $best->chances->value - $chosen->chances->value];
    }

    /** How much a route is to this style's taste; only the order matters. */
    public function liking(Route $route): float
    {
        $like = 0.0;
        $side = $route->family->side;
        $like += $this->outside ? ('outside' === $side ? 1.0 : 0.0) : -2.0 * abs($route->shot->tip->side);
        $like -= !$this->inside && 'inside' === $side ? 1.0 : 0.0;
        $like += $this->cushions ? ([] === $route->family->rails ? 0.0 : 1.0) : -0.4 * $route->travel;
        if ($route->shot->speed < self::SLOW) {
            $like += str_starts_with($route->family->stroke, 'drag') === $this->drag ? 0.5 : 0.0;
        }
        $window = null === $route->window ? 0.0 : $route->window->high - $route->window->low;

        return $like + ($this->spot ? $route->chances->position : 0.5 * $window);
    }
}
