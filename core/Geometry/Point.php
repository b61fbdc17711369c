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

    /** How far it is from the straight stretch between two points, m. */
    public function distanceToLine(self $from, self $to): float
    {
        $x = $to->x - $from->x;
        $y = $to->y - $from->y;
        $square = $x * $x + $y * $y;
        $along = $square > 0.0 ? (($this->x - $from->x) * $x + ($this->y - $from->y) * $y) / $square : 0.0;
        $along = max(0.0, min(1.0, $along));

        return $this->distanceTo(new self($from->x + $along * $x, $from->y + $along * $y));
    }
}
