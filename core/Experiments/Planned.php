<?php

declare(strict_types=1);

namespace ZigLane\Core\Experiments;

use ZigLane\Core\Planning\Beginnings;
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
        if (null === $this->planner || null === $this->last || $this->last->name !== $rack->name) {
            $this->planner = new Planner($rack, $this->budget);
        }
        $this->last = $rack;
        [$laid, $choice] = (new Beginnings($this->planner))->best($rack);
        if (null === $choice) {
            return null;
        }
        $route = $choice->route;

        return [$laid, new Called($route->pot->ball, $route->pot->pocket, $route->shot, $choice->runOut())];
    }
}
