<?php

declare(strict_types=1);

namespace ZigLane\Core\Drills\Condition;

use ZigLane\Core\Logbook\Attempt;

/**
 * The ball that was meant is in the pocket that was meant, and the cue ball is on the table.
 */
final readonly class Made implements Condition
{
    public function holds(Attempt $attempt): bool
    {
        return $attempt->result->made && null !== $attempt->result->cue;
    }

    public function scaled(float $times): self
    {
        return $this;
    }
}
