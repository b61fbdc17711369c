<?php

declare(strict_types=1);

namespace ZigLane\Core\Physics;

/**
 * The cue's speed as it was given: in m/s, or as the table lengths it would send the cue ball.
 */
final readonly class Speed
{
    private function __construct(public ?float $mps, public ?float $lengths) {}

    /** A speed of the cue, m/s. */
    public static function metresPerSecond(float $speed): self
    {
        return new self($speed, null);
    }

    /** A speed as so many table lengths that the cue ball alone would run. */
    public static function tableLengths(float $lengths): self
    {
        return new self(null, $lengths);
    }

    /**
     * @return float m/s on that table
     *
     * @throws \ZigLane\Core\InvalidInput when no person strikes that hard
     */
    public function on(TableLengths $table): float
    {
        return $this->mps ?? $table->toSpeed((float) $this->lengths);
    }

    /**
     * @return float table lengths that the cue ball alone would run
     *
     * @throws \ZigLane\Core\InvalidInput when no person strikes that hard
     */
    public function inLengths(TableLengths $table): float
    {
        return $this->lengths ?? $table->ofSpeed((float) $this->mps);
    }
}
