<?php

declare(strict_types=1);

namespace ZigLane\Core\Planning;

/**
 * Where runs end at one shot, as shares of all runs, 0–1.
 */
final readonly class Losses
{
    /**
     * @param float $missed   from a good place
     * @param float $position missed from a place that the shot before should not have left
     * @param float $scratch  the cue ball fell
     * @param float $hooked   nothing could be shot
     */
    public function __construct(public float $missed, public float $position, public float $scratch, public float $hooked) {}

    /** All of them, 0–1. */
    public function sum(): float
    {
        return array_sum($this->byCause());
    }

    /**
     * @return array<string, float> by the names of the causes
     */
    public function byCause(): array
    {
        return ['missed' => $this->missed, 'position' => $this->position, 'scratch' => $this->scratch, 'hooked' => $this->hooked];
    }

    /** The same made so much larger. */
    public function times(float $factor): self
    {
        return new self($factor * $this->missed, $factor * $this->position, $factor * $this->scratch, $factor * $this->hooked);
    }
}
