<?php

declare(strict_types=1);

namespace ZigLane\Core\Photo;

use ZigLane\Core\Equipment\Rail;
use ZigLane\Core\Geometry\Point;

/**
 * A ball as a person confirmed it: which it is, and what it touches, if anything.
 */
final readonly class ConfirmedBall
{
    /**
     * @param Rail|null $rail    that it is frozen to
     * @param int|null  $touches the ball that it touches
     */
    public function __construct(public int $ball, public Point $place, public ?Rail $rail = null, public ?int $touches = null) {}
}
