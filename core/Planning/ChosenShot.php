<?php

declare(strict_types=1);

namespace ZigLane\Core\Planning;

use ZigLane\Core\Planning\Value\RemainingBalls;
use ZigLane\Core\Planning\Value\StateValues;
use ZigLane\Core\Routes\Route;

/**
 * The shot a planner plays from a table as it lies.
 */
final readonly class ChosenShot
{
    /** Ways that come as near as this share are worth taking when the best one leads nowhere. */
    private const NEAR = 0.6;
    private const MOST = 3;

    /**
     * @param Route          $route       its value is the chance to run out from here
     * @param StateValues    $stateValues that it was chosen by
     * @param RemainingBalls $remaining   on the table
     * @param list<Route>    $others      other ways, the best first: same ball or not
     */
    public function __construct(
        public Route $route,
        public StateValues $stateValues,
        public RemainingBalls $remaining,
        public array $others,
    ) {}

    /**
     * The same with other ways to play it.
     *
     * @return non-empty-list<self> this one first
     */
    public function ways(): array
    {
        $ways = [];
        foreach ($this->others as $route) {
            if ($route->chances->value >= self::NEAR * $this->route->chances->value && \count($ways) < self::MOST) {
                $ways[] = new self($route, $this->stateValues, $this->remaining, $this->others);
            }
        }

        return [$this, ...$ways];
    }

    /** Chance to run out from here. */
    public function runOut(): float
    {
        return $this->route->chances->value;
    }

    /** The balls left after the shot. */
    public function left(): RemainingBalls
    {
        return $this->remaining->without($this->route->pot->ball);
    }
}
