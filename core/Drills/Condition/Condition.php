<?php

declare(strict_types=1);

namespace ZigLane\Core\Drills\Condition;

use ZigLane\Core\Logbook\Attempt;

/**
 * Something that must be so after a shot for it to count.
 */
interface Condition
{
    /** Whether it is so after a shot. */
    public function holds(Attempt $attempt): bool;

    /** The same with areas so many times as large. */
    public function scaled(float $times): self;
}
