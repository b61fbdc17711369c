<?php

declare(strict_types=1);

namespace ZigLane\Core\Planning\Value;

/**
 * How a cue ball arrives at the contact with the object ball, whatever the cut.
 *
 * @internal
 */
final readonly class CueBallArrival
{
    /**
     * @param float $roll  rolling share of the speed: −1 draw as fast as it travels, 0 stun, 1 rolling
     * @param float $side  surface speed of the side spin as a share of the speed; right-hand tip positive
     * @param float $speed m/s
     */
    public function __construct(public float $roll, public float $side, public float $speed) {}
}
