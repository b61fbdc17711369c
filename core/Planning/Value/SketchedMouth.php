<?php

declare(strict_types=1);

namespace ZigLane\Core\Planning\Value;

use ZigLane\Core\Geometry\Point;

/**
 * A pocket's mouth as one ball of a sketched layout sees it, by plain geometry.
 *
 * @internal
 */
final readonly class SketchedMouth
{
    /** A thinner cut than this cosine is no shot. */
    private const THINNEST = 0.258;

    /** Where the cue ball lies, m, at a contact that sends the ball midway between both ghost balls' directions. */
    public float $x;
    public float $y;

    private float $alongX;
    private float $alongY;

    /**
     * @param Point $low    ghost balls of the mouth's edges
     * @param Point $high
     * @param float $toward direction in which the ball goes to its middle, rad
     * @param float $wide   angle between its edges, rad
     * @param Point $way    from the ball to the mouth's middle, m
     * @param int   $lane   balls on that way, one bit each
     */
    public function __construct(
        private Point $low,
        private Point $high,
        private float $toward,
        public float $wide,
        public Point $way,
        public int $lane,
    ) {
        $this->x = ($low->x + $high->x) / 2;
        $this->y = ($low->y + $high->y) / 2;
        $this->alongX = cos($toward);
        $this->alongY = sin($toward);
    }

    /** The same with other balls on the way. */
    public function withLane(int $lane): self
    {
        return new self($this->low, $this->high, $this->toward, $this->wide, $this->way, $lane);
    }

    /**
     * The chance that the cue points between the ghost balls from a place (m), 0–1.
     *
     * @param float $spread twice the root of 2 times the standard deviation of the cue's direction, rad
     */
    public function chanceFrom(float $x, float $y, float $spread): float
    {
        $mx = $this->x - $x;
        $my = $this->y - $y;
        $long = sqrt($mx * $mx + $my * $my);
        if ($long < 1e-3 || $mx * $this->alongX + $my * $this->alongY < self::THINNEST * $long) {
            return 0.0;
        }
        $ax = $this->low->x - $x;
        $ay = $this->low->y - $y;
        $bx = $this->high->x - $x;
        $by = $this->high->y - $y;

        return self::within(abs(atan2($ax * $by - $ay * $bx, $ax * $bx + $ay * $by)) / $spread);
    }

    /** The error function, to 0.0005. M. Abramowitz and I. A. Stegun, "Handbook of Mathematical Functions", 1964, 7.1.27. */
    private static function within(float $z): float
    {
        $t = 1 + $z * (0.278393 + $z * (0.230389 + $z * (0.000972 + $z * 0.078108)));
        $t *= $t;

        return 1 - 1 / ($t * $t);
    }
}
