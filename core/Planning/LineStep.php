<?php

declare(strict_types=1);

namespace ZigLane\Core\Planning;

use ZigLane\Core\Rack\Rack;

/**
 * A shot of a line, what it leaves, and what is played then.
 */
final readonly class LineStep
{
    /**
     * @param ChosenShot|null $next  null when the rack is over or nothing can be shot
     */
    public function __construct(public PlannedShot $shot, public Rack $after, public ?ChosenShot $next) {}
}
