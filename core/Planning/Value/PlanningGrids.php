<?php

declare(strict_types=1);

namespace ZigLane\Core\Planning\Value;

use ZigLane\Core\Physics\Simulator;

/**
 * What the tables of planning are laid out over, for one table, cue and ball.
 *
 * @internal
 */
final readonly class PlanningGrids
{
    public ArrivalGrid $arrivals;
    public CueBallGrid $positions;

    public function __construct(public Simulator $simulator)
    {
        $this->arrivals = new ArrivalGrid($simulator);
        $this->positions = new CueBallGrid($simulator->geometry);
    }
}
