<?php

declare(strict_types=1);

namespace ZigLane\Core\Drills\Condition;

use ZigLane\Core\Logbook\Attempt;

/**
 * Two balls that lay together lie so far from each other, both on the table.
 */
final readonly class Apart implements Condition
{
    /** @param float $far between their middles, diamonds */
    public function __construct(public int $one, public int $other, public float $far) {}

    public function holds(Attempt $attempt): bool
    {
        $after = $attempt->result->after($attempt->rack->layout);

        return $after->has($this->one) && $after->has($this->other)
            && $after->ball($this->one)->distanceTo($after->ball($this->other)) >= $this->far * $attempt->rack->table->size->diamond();
    }

    public function scaled(float $times): self
    {
        return new self($this->one, $this->other, $this->far / $times);
    }
}
