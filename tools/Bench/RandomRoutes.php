<?php

declare(strict_types=1);

namespace ZigLane\Tools\Bench;

use ZigLane\Core\Numerics\Generator;
use ZigLane\Core\Physics\Stroke;
use ZigLane\Core\Routes\Route;
use ZigLane\Core\Routes\RouteSearch;

/**
 * The plainest search there is, to hold the real one against: strokes at random, the likely ones judged more closely.
 */
final readonly class RandomRoutes
{
    private const FEW = 24;
    private const CLOSER = 12;
    private const SPEEDS = [0.6, 7.5];

    public function __construct(private RouteSearch $search, private Generator $random) {}

    /** @param int $shots to play */
    public function best(int $shots): ?Route
    {
        $end = $this->search->played() + $shots - self::CLOSER * RouteSearch::MANY;
        $found = [];
        for ($tried = 0; $this->search->played() + $tried < $end; ++$tried) {
            $r = 0.5 * sqrt($this->random->between(0.0, 1.0));
            $turn = $this->random->between(0.0, 2 * M_PI);
            $speed = self::SPEEDS[0] * (self::SPEEDS[1] / self::SPEEDS[0]) ** $this->random->between(0.0, 1.0);
            $route = $this->search->route(new Stroke($speed, $r * cos($turn), $r * sin($turn)), $this->random->between(-0.8, 0.8), self::FEW);
            if (null !== $route) {
                $found[] = $route;
            }
        }
        usort($found, static fn(Route $a, Route $b): int => $b->chances->value <=> $a->chances->value);
        $best = null;
        foreach (\array_slice($found, 0, self::CLOSER) as $route) {
            $closer = $this->search->route($route->shot->stroke()->stroke, $route->offset);
            if (null !== $closer && (null === $best || $closer->chances->value > $best->chances->value)) {
                $best = $closer;
            }
        }

        return $best;
    }
}
