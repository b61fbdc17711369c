<?php

declare(strict_types=1);

namespace ZigLane\Core\Aiming;

use ZigLane\Core\Equipment\Pocket;
use ZigLane\Core\InvalidInput;
use ZigLane\Core\Physics\Tip;

/**
 * What the player wants: this ball in that pocket, with this stroke.
 */
final readonly class AimRequest
{
    /**
     * @param float $offset    which part of the usable mouth, −1 (its left edge as the ball travels) … 1 (right)
     * @param float $speed     cue speed, m/s
     * @param float $elevation rad
     *
     * @throws InvalidInput when the offset is outside −1 … 1
     */
    public function __construct(
        public int $ball,
        public Pocket $pocket,
        public float $speed,
        public Tip $tip = new Tip(),
        public float $elevation = 0.0,
        public float $offset = 0.0,
    ) {
        if (!is_finite($offset) || abs($offset) > 1.0) {
            throw new InvalidInput('pocketOffset', \sprintf('%s is outside −1 … 1', $offset));
        }
    }
}
