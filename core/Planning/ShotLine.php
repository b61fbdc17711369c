<?php

declare(strict_types=1);

namespace ZigLane\Core\Planning;

use ZigLane\Core\Rack\Rack;

/**
 * Shots in a row, each from where the one before it leaves the balls.
 */
final readonly class ShotLine
{
    /**
     * @param list<PlannedShot> $shots
     * @param Rack              $end   as the last of them leaves it
     */
    public function __construct(public array $shots, public Rack $end) {}

    /** Whether it runs the rack out. */
    public function isWhole(): bool
    {
        return $this->end->rules()->isOver($this->end->layout);
    }

    /** Whether it gets further than another: to the end, or to fewer balls. */
    public function goesFurtherThan(self $other): bool
    {
        return $this->isWhole() !== $other->isWhole()
            ? $this->isWhole()
            : !$this->isWhole() && \count($this->end->layout->balls) < \count($other->end->layout->balls);
    }
}
