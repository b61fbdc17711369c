<?php

declare(strict_types=1);

namespace ZigLane\Core\Choice;

use ZigLane\Core\Numerics\Generator;
use ZigLane\Core\Planning\ChosenShot;
use ZigLane\Core\Planning\LineMaker;
use ZigLane\Core\Planning\PlannedShot;
use ZigLane\Core\Planning\Planner;
use ZigLane\Core\Planning\SearchBudget;
use ZigLane\Core\Rack\Rack;
use ZigLane\Core\Routes\Route;

/**
 * Picks two ways to play a rack's first shot that a player might choose between, one of them clearly better.
 */
final readonly class PairPicker
{
    /** So much better at least, as chance to run out; the other one is worth so much of it at least (our own choice). */
    private const APART = 0.05;
    private const SENSIBLE = 0.45;

    /** Two ways for the same pot stop so far apart at least, m. */
    private const STOPS = 0.3;

    /** @param int $seed of which is shown first */
    public function __construct(private Rack $rack, private int $seed) {}

    /** The pair; null where the rack has none. */
    public function pair(): ?Pair
    {
        $planner = new Planner($this->rack, SearchBudget::settled($this->rack->rules()));
        $choice = $planner->next($this->rack);
        if (null === $choice) {
            return null;
        }
        $maker = new LineMaker($this->rack);
        $best = $this->shot($maker, $planner, $choice);
        if (null === $best) {
            return null;
        }
        foreach ($choice->others as $route) {
            if (!$this->isOther($choice->route, $route)) {
                continue;
            }
            $other = $this->shot($maker, $planner, new ChosenShot($route, $choice->stateValues, $choice->remaining, []));
            if (null !== $other && $best->chances->runOut - $other->chances->runOut >= self::APART) {
                $shots = 0 === (new Generator($this->seed))->integer(0, 1) ? [$best, $other] : [$other, $best];

                return new Pair($this->rack, $shots);
            }
        }

        return null;
    }

    /** Whether a way is another one, clearly worse and still sensible. */
    private function isOther(Route $best, Route $route): bool
    {
        $behind = $best->chances->value - $route->chances->value;

        return $route->chances->tries === $best->chances->tries
            && $behind >= self::APART
            && $route->chances->value >= self::SENSIBLE * $best->chances->value
            && (!$route->pot->is($best->pot) || $route->stop->distanceTo($best->stop) >= self::STOPS);
    }

    /** A way as a leg states it, with the zone it is for; null where it does not hold so. */
    private function shot(LineMaker $maker, Planner $planner, ChosenShot $choice): ?PlannedShot
    {
        $shot = $maker->shot($planner, $this->rack, $choice);

        return null === $shot ? null : $planner->judged($this->rack, $shot);
    }
}
