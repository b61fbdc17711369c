<?php

declare(strict_types=1);

namespace ZigLane\Core\Routes;

use ZigLane\Core\Geometry\Point;
use ZigLane\Core\Physics\AimedStroke;

/**
 * A swept stroke that pots the ball, and where it leaves the cue ball.
 */
final readonly class SweptPosition
{
    /**
     * @param string $rails cushions after the contact, joined by "-"
     * @param float  $value of the place, 0–1
     */
    public function __construct(public AimedStroke $aimed, public Point $stop, public float $value, public string $rails) {}
}
