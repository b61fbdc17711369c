<?php

declare(strict_types=1);

namespace ZigLane\Core\Photo;

/**
 * Directions in space as three numbers.
 */
final class Space
{
    private function __construct() {}

    /**
     * @param array{float, float, float} $a
     * @param array{float, float, float} $b
     */
    public static function dot(array $a, array $b): float
    {
        return $a[0] * $b[0] + $a[1] * $b[1] + $a[2] * $b[2];
    }

    /** @param array{float, float, float} $v */
    public static function length(array $v): float
    {
        return sqrt(self::dot($v, $v));
    }

    /**
     * The same direction with length 1; of a vector that has none, NaN.
     *
     * @param array{float, float, float} $v
     *
     * @return array{float, float, float}
     */
    public static function unit(array $v): array
    {
        $length = self::length($v);

        return 0.0 === $length ? [\NAN, \NAN, \NAN] : [$v[0] / $length, $v[1] / $length, $v[2] / $length];
    }

    /**
     * @param array{float, float, float} $a
     * @param array{float, float, float} $b
     *
     * @return array{float, float, float}
     */
    public static function cross(array $a, array $b): array
    {
        return [$a[1] * $b[2] - $a[2] * $b[1], $a[2] * $b[0] - $a[0] * $b[2], $a[0] * $b[1] - $a[1] * $b[0]];
    }
}
