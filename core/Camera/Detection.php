<?php

declare(strict_types=1);

namespace ZigLane\Core\Camera;

use ZigLane\Core\Geometry\Point;

/**
 * A ball that a camera saw.
 */
final readonly class Detection
{
    /**
     * @param int|null $ball as which it was recognised, the cue ball among them; null when only that it is a ball
     * @param Point    $at   m
     * @param float    $sure how sure the camera is of that, 0–1
     */
    public function __construct(public ?int $ball, public Point $at, public float $sure = 1.0) {}
}
