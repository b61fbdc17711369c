<?php

declare(strict_types=1);

namespace ZigLane\Core\Rack;

use ZigLane\Core\Geometry\Point;
use ZigLane\Core\Physics\Layout;
use ZigLane\Core\Physics\Shot;
use ZigLane\Core\Physics\Tip;

/**
 * How a rack is broken, and how tight it was racked.
 */
final readonly class BreakStroke
{
    /** Cue speed of a firm break, m/s (common practice, no source). */
    public const SPEED = 8.5;

    /** Cue ball from the head rail and aside of the middle, diamonds. */
    public const FROM_HEAD = 1.95;
    public const ASIDE = 0.6;

    /** Tip above the centre, radii; a cut break meets so much of a ball beside the full line (our own choice). */
    private const TIP = 0.05;
    private const CUT = 0.25;

    /** The line past the head ball to the one behind it, in ball diameters from the head ball's middle. */
    private const PAST = 1.03;

    /**
     * @param float $speed of the cue, m/s
     * @param float $aside cue ball aside of the middle, diamonds, −1.5 … 1.5
     * @param float $gap   widest gap between neighbours, m
     */
    public function __construct(
        public float $speed = self::SPEED,
        public float $aside = self::ASIDE,
        public BreakAim $aim = BreakAim::HeadBall,
        public float $gap = RackUp::GAP,
    ) {}

    /** The same with the cue ball on the other side of the middle. */
    public function mirrored(): self
    {
        return new self($this->speed, -$this->aside, $this->aim, $this->gap);
    }

    /**
     * The shot from a place at a rack.
     *
     * @param Layout $racked   without a cue ball
     * @param float  $diameter of the balls, m
     */
    public function shot(Layout $racked, Point $cue, float $diameter): Shot
    {
        $apex = $racked->ball(RackUp::apex($racked));
        $way = $cue->angleTo($apex);
        // Aside of the head ball, on the side that the cue ball comes from.
        $aside = ($cue->y < $apex->y ? -1 : 1) * $diameter / $cue->distanceTo($apex);
        $aim = $way + match ($this->aim) {
            BreakAim::HeadBall => 0.0,
            BreakAim::SecondBall => asin(self::PAST * $aside),
            BreakAim::Cut => asin(self::CUT * $aside),
        };

        return new Shot($aim, $this->speed, new Tip(0.0, self::TIP));
    }
}
