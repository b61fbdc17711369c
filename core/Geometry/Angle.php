<?php

declare(strict_types=1);

namespace ZigLane\Core\Geometry;

/**
 * Angles in rad.
 */
final class Angle
{
    private function __construct() {}

    /** The same direction in −π … π. */
    public static function wrap(float $angle): float
    {
        return $angle - 2 * M_PI * round($angle / (2 * M_PI));
    }
}
