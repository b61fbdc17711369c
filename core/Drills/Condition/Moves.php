<?php

declare(strict_types=1);

namespace ZigLane\Core\Drills\Condition;

use ZigLane\Core\Logbook\Attempt;

/**
 * At least so many object balls, besides the one that is potted, no longer lie where they lay.
 */
final readonly class Moves implements Condition
{
    public function __construct(public int $many) {}

    public function holds(Attempt $attempt): bool
    {
        return \count(array_diff_key($attempt->result->moved, [$attempt->meant->ball ?? 0 => true])) >= $this->many;
    }

    public function scaled(float $times): self
    {
        return $this;
    }
}
