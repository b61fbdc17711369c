<?php

declare(strict_types=1);

namespace ZigLane\Core\Physics;

/**
 * How the cue strikes, whatever the direction. Unchecked, for searches: a stroke that is tried may be a miscue. A Shot is one that a
 * person can play.
 */
final readonly class Stroke
{
    /**
     * @param float $speed     of the cue, m/s
     * @param float $side      of the tip, ball radii, right positive
     * @param float $height    of the tip, ball radii, up positive
     * @param float $elevation of the cue, rad
     */
    public function __construct(
        public float $speed,
        public float $side = 0.0,
        public float $height = 0.0,
        public float $elevation = 0.0,
    ) {}

    /** The same with the cue raised, rad. */
    public function raised(float $elevation): self
    {
        return new self($this->speed, $this->side, $this->height, $elevation);
    }

    /** The same with another speed of the cue, m/s. */
    public function withSpeed(float $speed): self
    {
        return new self($speed, $this->side, $this->height, $this->elevation);
    }

    /** The same with the tip elsewhere, ball radii. */
    public function withTip(float $side, float $height): self
    {
        return new self($this->speed, $side, $height, $this->elevation);
    }

    /** Distance of the tip from the centre, ball radii. */
    public function offset(): float
    {
        return hypot($this->side, $this->height);
    }
}
