<?php

declare(strict_types=1);

namespace ZigLane\Core\Routes;

use ZigLane\Core\Geometry\Angle;
use ZigLane\Core\Geometry\Point;
use ZigLane\Core\Parallel\Processes;
use ZigLane\Core\Physics\BallStates;
use ZigLane\Core\Physics\Shot;
use ZigLane\Core\Player\ErrorSample;

/**
 * Makes routes of candidates: played once more, named by what the cue ball does, judged by many tries. The best of each family is kept.
 *
 * @internal
 */
final class RouteMaker
{
    /** Side spin (radii) that is more than another's by less counts as the same. */
    private const MORE_SIDE = 0.05;

    /** A race is decided by this part of the tries; who is so far behind then, as a share times the root of their number, is out of it. */
    private const RACE = 4;
    private const LAG = 1.4;

    /** @var array<string, Route> routes judged, by stroke and tries */
    private array $made = [];

    /** @var array<string, Route|null> routes not judged yet, by stroke; null for one that does not pot the ball after all */
    private array $drawn = [];

    public function __construct(private readonly StrokeTrials $trials, private readonly int $most, private readonly Processes $processes) {}

    /**
     * The best of each family.
     *
     * @param list<Candidate> $ranked
     * @param bool            $race   those far behind after some of the tries are not judged by all of them
     *
     * @return list<Route> the best first
     */
    public function best(array $ranked, int $tries, bool $race = false): array
    {
        $drawn = [];
        $families = [];
        foreach ($ranked as $candidate) {
            // What is judged for good is what a player can set, and what is stored.
            $candidate = $tries > StrokeTrials::MORE ? $this->settable($candidate) : $candidate;
            $key = $candidate->key();
            $route = \array_key_exists($key, $this->drawn) ? $this->drawn[$key] : $this->drawn[$key] = $this->drawn($candidate);
            if (null !== $route && !isset($families[$route->family->key()])) {
                $families[$route->family->key()] = true;
                $drawn["$key $tries"] = $route;
                if (\count($drawn) >= $this->most) {
                    break;
                }
            }
        }
        $given = [];
        if ($race && \count($drawn) > 1) {
            [$drawn, $given] = $this->raced($drawn, $tries);
        }
        $this->judge(array_diff_key($drawn, $this->made), $tries);
        $routes = array_map(fn(string $key): Route => $this->made[$key], array_keys($drawn));
        usort($routes, static fn(Route $p, Route $q): int => $q->chances->value <=> $p->chances->value);

        return self::simple([...$routes, ...$given]);
    }

    /**
     * Routes told apart by a part of the tries (O. Maron and A. W. Moore, "Hoeffding Races", 1993).
     *
     * @param non-empty-array<string, Route> $routes
     *
     * @return array{array<string, Route>, list<Route>} those that deserve all of them, and the others judged by that part, the best first
     */
    private function raced(array $routes, int $tries): array
    {
        $some = intdiv($tries, self::RACE);
        $samples = \array_slice($this->trials->samples($tries), 0, $some);
        $judged = array_map(fn(Route $route): Route => $this->under($route, $samples), $routes);
        $most = max(array_map(static fn(Route $route): float => $route->chances->value, $judged));
        $behind = array_filter($judged, static fn(Route $route): bool => $route->chances->value < $most * (1 - self::LAG / sqrt($some)));
        $given = array_values($behind);
        usort($given, static fn(Route $p, Route $q): int => $q->chances->value <=> $p->chances->value);

        return [array_diff_key($routes, $behind), $given];
    }

    /**
     * Routes that were found apart from each other: for every pot the best of each family, by as many tries as any.
     *
     * @param list<Route> $routes
     *
     * @return list<Route>
     */
    public static function distinct(array $routes): array
    {
        $best = [];
        foreach ($routes as $route) {
            $key = "{$route->pot->ball} {$route->pot->pocket->value} {$route->family->key()}";
            $other = $best[$key] ?? null;
            $rank = [$route->chances->tries, $route->chances->value];
            if (null === $other || $rank > [$other->chances->tries, $other->chances->value]) {
                $best[$key] = $route;
            }
        }

        return array_values($best);
    }

    private function settable(Candidate $candidate): Candidate
    {
        $simulator = $this->trials->rack->simulator();
        $settable = $this->trials->aimed(TakeOver::settable($simulator, $candidate->aimed->stroke), $candidate->offset);

        return $settable?->valued($candidate->value) ?? $candidate;
    }

    /** A candidate as a route; null when it does not pot the ball after all. */
    public function route(Candidate $candidate, int $tries): ?Route
    {
        $route = $this->drawn($candidate);

        return null === $route ? null : $this->judged($route, $tries);
    }

    /**
     * @param array<string, Route> $routes by stroke and tries
     */
    private function judge(array $routes, int $tries): void
    {
        $pieces = array_map(fn(Route $route): \Closure => fn(): Route => $this->judged($route, $tries), array_values($routes));
        // A few tries are done sooner than a process is made.
        $judged = $tries <= StrokeTrials::MORE
            ? array_map(static fn(\Closure $piece): Route => $piece(), $pieces)
            : $this->processes->results($pieces);
        foreach (array_keys($routes) as $n => $key) {
            $this->made[$key] = $judged[$n];
        }
    }

    private function judged(Route $route, int $tries): Route
    {
        return $this->under($route, $this->trials->samples($tries));
    }

    /**
     * @param list<ErrorSample> $samples
     */
    private function under(Route $route, array $samples): Route
    {
        $stroke = $route->shot->stroke();
        $chances = $this->trials->chances($stroke, $samples);

        return $route->judged(
            $chances,
            $this->trials->evaluator->next($route->stop->x, $route->stop->y),
            \count($samples) <= StrokeTrials::MORE ? null : $this->trials->window($stroke, $chances),
        );
    }

    /** Played once and named. */
    private function drawn(Candidate $candidate): ?Route
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

        return new Route(
            $this->trials->target,
            Shot::of($aimed),
            $candidate->offset,
            Family::of($whole, $hit, $aimed, Angle::wrap($cut), $simulator->ball->radius),
            new Point($whole->x[0], $whole->y[0]),
            self::travel($whole, $hit->time),
            RouteChances::none(),
            null,
            null,
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
