<?php

declare(strict_types=1);

namespace ZigLane\Core\Decision;

use ZigLane\Core\Equipment\BallId;
use ZigLane\Core\Physics\Layout;

/**
 * How much of a ball the cue ball can be sent into without hitting another one first, by plain geometry.
 */
final class Sight
{
    /** Directions that are looked along, from the thinnest hit on one side to that on the other. */
    private const DIRECTIONS = 15;

    /** Of the thinnest hit. */
    private const WIDE = 0.98;

    private function __construct() {}

    /**
     * @param float $diameter m
     *
     * @return float share of the directions in which it is hit, 0–1
     */
    public static function of(Layout $layout, int $ball, float $diameter): float
    {
        return \count(self::directions($layout, $ball, $diameter)) / self::DIRECTIONS;
    }

    /**
     * Directions of the cue ball in which it hits the ball first.
     *
     * @param float $diameter m
     *
     * @return list<float> rad, from one side to the other
     */
    public static function directions(Layout $layout, int $ball, float $diameter): array
    {
        $cue = $layout->ball(BallId::CUE);
        $target = $layout->ball($ball);
        $far = max($cue->distanceTo($target), $diameter);
        $way = $cue->angleTo($target);
        $open = [];
        for ($n = 0; $n < self::DIRECTIONS; ++$n) {
            // Even steps of how full the hit is.
            $aside = self::WIDE * (2 * $n / (self::DIRECTIONS - 1) - 1) * $diameter;
            $angle = asin($aside / $far);
            $reach = $far * cos($angle) - sqrt(max(0.0, $diameter ** 2 - $aside ** 2));
            if (self::isFree($layout, $ball, $way + $angle, $reach, $diameter)) {
                $open[] = $way + $angle;
            }
        }

        return $open;
    }

    /** Whether no other ball is in the way of the cue ball for so far, m. */
    private static function isFree(Layout $layout, int $target, float $way, float $reach, float $diameter): bool
    {
        $cue = $layout->ball(BallId::CUE);
        [$dx, $dy] = [cos($way), sin($way)];
        foreach ($layout->balls as $id => $place) {
            if (BallId::CUE === $id || $target === $id) {
                continue;
            }
            $along = ($place->x - $cue->x) * $dx + ($place->y - $cue->y) * $dy;
            $aside = abs(($place->y - $cue->y) * $dx - ($place->x - $cue->x) * $dy);
            if ($along > 0.0 && $aside < $diameter && $along - sqrt($diameter ** 2 - $aside ** 2) < $reach) {
                return false;
            }
        }

        return true;
    }
}
