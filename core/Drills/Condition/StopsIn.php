<?php

declare(strict_types=1);

namespace ZigLane\Core\Drills\Condition;

use ZigLane\Core\Drills\Area\Area;
use ZigLane\Core\Logbook\Attempt;

/**
 * A ball lies in an area.
 */
final readonly class StopsIn implements Condition
{
    public function __construct(public int $ball, public Area $area) {}

    public function holds(Attempt $attempt): bool
    {
        $after = $attempt->result->after($attempt->rack->layout);
        if (!$after->has($this->ball)) {
            return false;
        }
        [$along, $across] = $attempt->rack->table->size->diamondsOf($after->ball($this->ball));

        return $this->area->contains($along, $across);
    }

    public function scaled(float $times): self
    {
        return new self($this->ball, $this->area->scaled($times));
    }
}
