<?php

declare(strict_types=1);

namespace ZigLane\Core\Rack;

/**
 * How a rack is broken: full at the ball at the apex.
 */
final readonly class BreakStroke
{
    /** Cue speed of a firm break, m/s (common practice, no source). */
    public const SPEED = 8.5;

    /** Cue ball from the head rail and aside of the middle, diamonds. */
    public const FROM_HEAD = 1.95;
    public const ASIDE = 0.6;

    /**
     * @param float $speed of the cue, m/s
     * @param float $aside cue ball aside of the middle, diamonds, −1.5 … 1.5
     */
    public function __construct(public float $speed = self::SPEED, public float $aside = self::ASIDE) {}
}
