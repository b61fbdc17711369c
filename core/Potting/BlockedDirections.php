<?php

declare(strict_types=1);

namespace ZigLane\Core\Potting;

use ZigLane\Core\Geometry\Angle;
use ZigLane\Core\Geometry\Point;

/**
 * Directions of the cue ball in which another ball is met before the object ball.
 *
 * @internal
 */
final class BlockedDirections
{
    /** Errors beyond so many standard deviations do not count. */
    private const REACH = 5;

    private const STEPS = 24;

    private function __construct() {}

    /**
     * @param float $way   of the cue ball, rad
     * @param float $sigma of its errors, rad
     *
     * @return list<array{float, float}> rad relative to the way, ascending
     */
    public static function of(ObjectBall $ball, Point $cue, float $way, float $sigma): array
    {
        $d = $ball->diameter;
        $gap = max(hypot($ball->at->x - $cue->x, $ball->at->y - $cue->y), $d);
        $toBall = Angle::wrap(atan2($ball->at->y - $cue->y, $ball->at->x - $cue->x) - $way);
        $found = [];
        foreach ($ball->others as $other) {
            $far = hypot($other->x - $cue->x, $other->y - $cue->y);
            if ($far > $gap + $d) {
                continue;
            }
            $turn = Angle::wrap(atan2($other->y - $cue->y, $other->x - $cue->x) - $way);
            $half = asin(min(1.0, $d / max($far, $d)));
            if (abs($turn) - $half > self::REACH * $sigma) {
                continue;
            }
            $low = null;
            $high = 0.0;
            // In fine steps over what the errors can reach: the other ball may cover a part of the ball only.
            $from = max(-self::REACH * $sigma, $turn - $half);
            $to = min(self::REACH * $sigma, $turn + $half);
            for ($i = 0; $i <= self::STEPS; ++$i) {
                $at = $from + ($to - $from) * $i / self::STEPS;
                if (self::contact($at, $turn, $far, $d) < self::contact($at, $toBall, $gap, $d)) {
                    $low ??= $at;
                    $high = $at;
                }
            }
            if (null !== $low) {
                $found[] = [$low, $high];
            }
        }

        return Intervals::merged($found);
    }

    /** How far (m) the cue ball goes in a direction until it meets a ball at an angle and a distance; INF when it passes. */
    private static function contact(float $direction, float $angle, float $distance, float $diameter): float
    {
        if (abs(sin($direction - $angle)) * $distance >= $diameter || cos($direction - $angle) <= 0.0) {
            return INF;
        }

        return $distance * cos($direction - $angle) - sqrt($diameter * $diameter - ($distance * sin($direction - $angle)) ** 2);
    }
}
