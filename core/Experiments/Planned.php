<?php

declare(strict_types=1);

namespace ZigLane\Core\Experiments;

use ZigLane\Core\Planning\Beginnings;
use ZigLane\Core\Planning\Clearing;
use ZigLane\Core\Planning\ClearingPrior;
use ZigLane\Core\Planning\Planner;
use ZigLane\Core\Planning\SearchBudget;
use ZigLane\Core\Rack\Rack;

/**
 * Plays what the planner plans, anew for every shot.
 */
final class Planned implements Policy
{
    private ?Planner $planner = null;
    private ?Rack $last = null;

    public function __construct(private readonly SearchBudget $budget) {}

    public function next(Rack $rack): ?array
    {
        // One planner for a rack; another rack, table or player needs another.
        $first = null === $this->planner || null === $this->last || $this->last->name !== $rack->name;
        $planner = $this->planner = null === $this->planner || $first ? new Planner($rack, $this->budget) : $this->planner;
        $this->last = $rack;
        [$laid, $choice] = (new Beginnings($planner))->best($rack);
        if (null === $choice) {
            return null;
        }
        $route = $choice->route;
        // The chance is asked of the first shot alone.
        $runOut = $first && $laid->rules()->endsWithBreakShot()
            ? ClearingPrior::of($laid)->drawn(
                $route->chances->pot,
                $planner->clears($laid, $route->pot, $route->shot, $this->budget),
                Clearing::left($laid->layout),
            )
            : $choice->runOut();

        return [$laid, new Called($route->pot->ball, $route->pot->pocket, $route->shot, $runOut)];
    }
}
