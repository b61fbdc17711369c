<?php

declare(strict_types=1);

namespace ZigLane\Core\Rack;

/**
 * How a rack is broken: full at the ball at the apex.
 */
final readonly class BreakStroke
{
    /**
     * @param float $speed of the cue, m/s
     * @param float $aside cue ball aside of the middle, diamonds, −1.5 … 1.5
     */
    public function __construct(public float $speed = FreshRack::BREAK_SPEED, public float $aside = FreshRack::PLACE[1]) {}
}
