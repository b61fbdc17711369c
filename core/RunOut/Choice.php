<?php

declare(strict_types=1);

namespace ZigLane\Core\RunOut;

use ZigLane\Core\Route\Route;
use ZigLane\Core\RunOut\Internal\Worths;

/**
 * The shot a planner plays from a table as it lies.
 */
final readonly class Choice
{
    /**
     * @param Route       $route     its worth is the chance to run out from here
     * @param Worths      $worths    that it was chosen by
     * @param int         $set       balls on the table
     * @param list<Route> $others    other ways, the best first: same ball or not
     */
    public function __construct(public Route $route, public Worths $worths, public int $set, public array $others) {}

    /** Chance to run out from here. */
    public function runOut(): float
    {
        return $this->route->worth;
    }

    /** The balls left after the shot. */
    public function left(): int
    {
        return $this->set & ~(1 << $this->route->ball);
    }
}
