<?php

declare(strict_types=1);

namespace ZigLane\Core\Routes;

use ZigLane\Core\Geometry\Angle;
use ZigLane\Core\Geometry\Point;
use ZigLane\Core\Physics\BallStates;
use ZigLane\Core\Physics\Shot;

/**
 * Makes routes of candidates: played once more, named by what the cue ball does, judged by many tries. The best of each family is kept.
 *
 * @internal
 */
final class RouteMaker
{
    /** Side spin (radii) that is more than another's by less counts as the same. */
    private const MORE_SIDE = 0.05;

    /** @var array<string, Route|null> routes made, by stroke and tries */
    private array $made = [];

    public function __construct(private readonly StrokeTrials $trials, private readonly int $most) {}

    /**
     * The best of each family.
     *
     * @param list<Candidate> $ranked
     *
     * @return list<Route> the best first
     */
    public function best(array $ranked, int $tries): array
    {
        $routes = [];
        foreach ($ranked as $candidate) {
            $key = $candidate->key() . " $tries";
            $route = \array_key_exists($key, $this->made)
                ? $this->made[$key]
                : $this->made[$key] = $this->route($candidate, $tries);
            if (null !== $route && !isset($routes[$route->family->key()])) {
                $routes[$route->family->key()] = $route;
                if (\count($routes) >= $this->most) {
                    break;
                }
            }
        }
        $routes = array_values($routes);
        usort($routes, static fn(Route $p, Route $q): int => $q->chances->value <=> $p->chances->value);

        return self::simple($routes);
    }

    /** A candidate as a route; null when it does not pot the ball after all. */
    public function route(Candidate $candidate, int $tries): ?Route
    {
        $aimed = $candidate->aimed;
        $whole = $this->trials->recorded($aimed);
        if (null === $whole) {
            return null;
        }
        $simulator = $this->trials->rack->simulator();
        $hit = $simulator->struck($this->trials->rack->layout, $aimed);
        $simulator->run($hit, record: true, stopAtHit: true);
        $cut = $this->trials->pot->window()->toward - $this->trials->cue->angleTo(new Point($hit->x[0], $hit->y[0]));
        $stop = new Point($whole->x[0], $whole->y[0]);

        return new Route(
            $this->trials->target,
            Shot::of($aimed),
            $candidate->offset,
            Family::of($whole, $hit, $aimed, Angle::wrap($cut), $simulator->ball->radius),
            $stop,
            self::travel($whole, $hit->time),
            $this->trials->chances($aimed, $this->trials->samples($tries)),
            $this->trials->evaluator->next($stop->x, $stop->y),
            $tries < StrokeTrials::MANY ? null : $this->trials->window($aimed),
        );
    }

    /** Way of the cue ball after the contact, m. */
    private static function travel(BallStates $recorded, float $contact): float
    {
        $travel = 0.0;
        foreach ($recorded->paths[0] ?? [] as $piece) {
            if ($piece->from >= $contact - 1e-9) {
                $half = ($piece->to - $piece->from) / 2;
                $travel += 2 * $half * hypot($piece->vx + $piece->ax * $half, $piece->vy + $piece->ay * $half);
            }
        }

        return $travel;
    }

    /**
     * Leaves out what is another route with more side spin and no better for it.
     *
     * @param list<Route> $routes
     *
     * @return list<Route>
     */
    private static function simple(array $routes): array
    {
        return array_values(array_filter($routes, static function (Route $route) use ($routes): bool {
            foreach ($routes as $other) {
                if (
                    $other !== $route
                    && $other->family->rails === $route->family->rails
                    && $other->family->stroke === $route->family->stroke
                    && abs($other->shot->tip->side) < abs($route->shot->tip->side) - self::MORE_SIDE
                    && $other->chances->value > $route->chances->value - Style::NEAR / 2
                ) {
                    return false;
                }
            }

            return true;
        }));
    }
}
