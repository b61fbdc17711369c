<?php

declare(strict_types=1);

namespace ZigLane\Core\Photo;

use ZigLane\Core\Equipment\BallId;

/**
 * Which ball it is likely to be, by the colours inside its outline: a guess, for a person to confirm.
 *
 * The usual colours of a set (common practice, no source): 1 and 9 yellow, 2 and 10 blue, 3 and 11 red, 4 and 12 purple, 5 and 13 orange,
 * 6 and 14 green, 7 and 15 maroon, 8 black; from 9 on a coloured band on white.
 */
final class BallColour
{
    /** Only so much of the disc is looked at, share of its radius: the edge mixes with what lies behind. */
    private const INNER = 0.8;

    /** Paler than this (saturation) is white or grey; darker than this (value) is black. */
    private const PALE = 0.35;
    private const DARK = 0.22;

    /** Less white than this is a plate and a highlight; more of it is a band's ball. */
    private const PLATE = 0.3;

    /** Less colour than this is none. */
    private const COLOURED = 0.08;

    /** Middle of each hue, degrees. */
    private const HUES = [1 => 47, 2 => 220, 3 => 3, 4 => 266, 5 => 26, 6 => 146];

    /** A red of less value than this is maroon. */
    private const MAROON = 0.56;

    private function __construct() {}

    /**
     * The ball that is seen within an outline.
     *
     * @param list<array{float, float}> $outline px
     *
     * @return int|null null when the colours say nothing
     */
    public static function guess(Picture $picture, float $u, float $v, array $outline): ?int
    {
        $radius = 0.0;
        foreach ($outline as [$x, $y]) {
            $radius += hypot($x - $u, $y - $v) / \count($outline);
        }
        $inner = self::INNER * $radius;
        $all = $white = $dark = 0;
        $hues = [];
        $values = [];
        for ($y = (int) ceil($v - $inner); $y <= $v + $inner; ++$y) {
            for ($x = (int) ceil($u - $inner); $x <= $u + $inner; ++$x) {
                $outside = $x < 0 || $y < 0 || $x >= $picture->width() || $y >= $picture->height();
                if ($outside || hypot($x + 0.5 - $u, $y + 0.5 - $v) > $inner) {
                    continue;
                }
                [$hue, $saturation, $value] = self::hsv($picture->at($x, $y));
                ++$all;
                if ($value < self::DARK) {
                    ++$dark;
                } elseif ($saturation < self::PALE) {
                    ++$white;
                } else {
                    $hues[] = $hue;
                    $values[] = $value;
                }
            }
        }
        if (0 === $all) {
            return null;
        }
        $coloured = \count($hues) / $all;
        if ($dark / $all > 0.4) {
            return 8;
        }
        if ($coloured < self::COLOURED) {
            return BallId::CUE;
        }
        $solid = self::ofHue(self::middleHue($hues), $values);

        return $white / $all > self::PLATE ? $solid + 8 : $solid;
    }

    /** @param list<float> $values of the coloured pixels */
    private static function ofHue(float $hue, array $values): int
    {
        $best = 1;
        foreach (self::HUES as $ball => $middle) {
            if (self::apart($hue, $middle) < self::apart($hue, self::HUES[$best])) {
                $best = $ball;
            }
        }
        if (3 !== $best && self::apart($hue, 350) > 14) {
            return $best;
        }
        sort($values);

        return $values[intdiv(3 * \count($values), 4)] < self::MAROON ? 7 : 3;
    }

    /**
     * The mean of directions, degrees.
     *
     * @param list<float> $hues
     */
    private static function middleHue(array $hues): float
    {
        $x = $y = 0.0;
        foreach ($hues as $hue) {
            $x += cos(deg2rad($hue));
            $y += sin(deg2rad($hue));
        }

        return fmod(rad2deg(atan2($y, $x)) + 360.0, 360.0);
    }

    private static function apart(float $a, float $b): float
    {
        $apart = fmod(abs($a - $b), 360.0);

        return min($apart, 360.0 - $apart);
    }

    /**
     * @param array{int, int, int} $rgb
     *
     * @return array{float, float, float} hue in degrees, saturation and value 0–1
     */
    private static function hsv(array $rgb): array
    {
        [$r, $g, $b] = $rgb;
        $most = max($rgb);
        $span = $most - min($rgb);
        if (0 === $span) {
            return [0.0, 0.0, $most / 255];
        }
        $hue = match ($most) {
            $r => ($g - $b) / $span,
            $g => 2.0 + ($b - $r) / $span,
            default => 4.0 + ($r - $g) / $span,
        };

        return [fmod(60.0 * $hue + 360.0, 360.0), $span / $most, $most / 255];
    }
}
