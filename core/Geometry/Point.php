<?php

declare(strict_types=1);

namespace ZigLane\Core\Geometry;

/**
 * A place on the bed in m: x along the long rail from the head rail, y across from the left long rail.
 */
final readonly class Point
{
    public function __construct(public float $x, public float $y) {}

    /** m */
    public function distanceTo(self $other): float
    {
        return hypot($other->x - $this->x, $other->y - $this->y);
    }

    /** Direction to the other point, rad from +x toward +y. */
    public function angleTo(self $other): float
    {
        return atan2($other->y - $this->y, $other->x - $this->x);
    }

    /** The point that far away in that direction (m, rad). */
    public function toward(float $angle, float $distance): self
    {
        return new self($this->x + $distance * cos($angle), $this->y + $distance * sin($angle));
    }
}
