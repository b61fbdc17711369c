<?php

declare(strict_types=1);

namespace ZigLane\Core\Drills\Condition;

use ZigLane\Core\Logbook\Attempt;

/**
 * Every ball is still on the table, the cue ball too.
 */
final readonly class NothingDrops implements Condition
{
    public function holds(Attempt $attempt): bool
    {
        return \count($attempt->result->after($attempt->rack->layout)->balls) === \count($attempt->rack->layout->balls);
    }

    public function scaled(float $times): self
    {
        return $this;
    }
}
