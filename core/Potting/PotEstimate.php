<?php

declare(strict_types=1);

namespace ZigLane\Core\Potting;

/**
 * What a pot from one place comes to.
 */
final readonly class PotEstimate
{
    /**
     * @param float      $chance    0–1
     * @param float      $aim       of the cue, rad
     * @param float      $cut       signed, rad: positive when the ball goes to the right of the cue ball's way
     * @param float      $speed     of the cue, m/s
     * @param float      $outSpeed  of the ball as it leaves, m/s
     * @param float      $elevation rad
     * @param float      $sigma     all errors but that of speed, as a direction of the cue, rad
     * @param NoPot|null $why       there is none
     */
    public function __construct(
        public float $chance,
        public float $aim,
        public float $cut,
        public float $speed,
        public float $outSpeed,
        public float $elevation,
        public float $sigma,
        public ?NoPot $why,
    ) {}

    /** The same with another chance, 0–1. */
    public function withChance(float $chance): self
    {
        return new self($chance, $this->aim, $this->cut, $this->speed, $this->outSpeed, $this->elevation, $this->sigma, $this->why);
    }

    /** No pot, and why. */
    public static function none(NoPot $why): self
    {
        return new self(0.0, 0.0, 0.0, 0.0, 0.0, 0.0, 0.0, $why);
    }
}
