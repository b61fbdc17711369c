<?php

declare(strict_types=1);

namespace ZigLane\Core\Physics;

use ZigLane\Core\Equipment\BallId;
use ZigLane\Core\Equipment\BallSpec;
use ZigLane\Core\Equipment\TableGeometry;
use ZigLane\Core\Geometry\Point;
use ZigLane\Core\Settings\Defaults;

/**
 * How far the cue must be raised to reach the cue ball over a rail or a ball behind it.
 *
 * Plain geometry: the shaft is a straight rod of its tip's width; it must pass over the cushion's edge, taken to be as
 * high as its nose, and its axis must stay a ball radius and half a shaft from the centre of every ball behind.
 */
final class LeastElevation
{
    private const STEP_DEG = 0.5;

    /** Farther behind than this (m) neither a rail nor a ball is in the way. */
    public const RAIL_BEHIND = 0.3;
    public const BALL_BEHIND = 0.6;

    private function __construct() {}

    /**
     * @param float $aim rad
     *
     * @return float rad; INF when not even the steepest cue allowed would do
     */
    public static function of(Layout $layout, float $aim, Tip $tip, TableGeometry $geometry, BallSpec $ball): float
    {
        $cue = $layout->ball(BallId::CUE);
        $others = $layout->balls;
        unset($others[BallId::CUE]);

        return self::at($cue->x, $cue->y, $others, $aim, $tip->side, $tip->height, $geometry, $ball);
    }

    /**
     * The same from plain numbers: for loops over many places.
     *
     * @param array<int, Point> $others the other balls
     * @param float             $side   ball radii
     * @param float             $height ball radii
     */
    public static function at(
        float $x,
        float $y,
        array $others,
        float $aim,
        float $side,
        float $height,
        TableGeometry $geometry,
        BallSpec $ball,
    ): float {
        $dx = cos($aim);
        $dy = sin($aim);
        // Distance back along the cue to the nearest rail's nose.
        $toRail = INF;
        foreach ([[$x, $dx], [$geometry->length - $x, -$dx], [$y, $dy], [$geometry->width - $y, -$dy]] as [$room, $speed]) {
            if ($speed > 1e-9) {
                $toRail = min($toRail, $room / $speed);
            }
        }
        $behind = [];
        foreach ($others as $place) {
            $back = ($x - $place->x) * $dx + ($y - $place->y) * $dy;
            $aside = ($place->x - $x) * -$dy + ($place->y - $y) * $dx - $side * $ball->radius;
            if ($back > 0.0 && $back < self::BALL_BEHIND && abs($aside) < $ball->radius + Defaults::TIP_WIDTH / 2) {
                $behind[] = [$back, $aside];
            }
        }
        $nose = $geometry->table->cushion->noseHeight * 2 * $ball->radius;
        $clears = static fn(int $step): bool => self::clears(
            deg2rad($step * self::STEP_DEG),
            $side,
            $height,
            $toRail,
            $nose,
            $behind,
            $ball->radius,
        );
        if ($clears(0)) {
            return 0.0;
        }
        $low = 0;
        $high = (int) (Defaults::MAX_ELEVATION_DEG / self::STEP_DEG);
        if (!$clears($high)) {
            return INF;
        }
        // The higher the cue, the clearer.
        while ($high - $low > 1) {
            $middle = intdiv($low + $high, 2);
            if ($clears($middle)) {
                $high = $middle;
            } else {
                $low = $middle;
            }
        }

        return deg2rad($high * self::STEP_DEG);
    }

    /**
     * @param list<array{float, float}> $behind [back, aside] in m
     */
    private static function clears(float $e, float $side, float $tip, float $toRail, float $nose, array $behind, float $r): bool
    {
        $c = sqrt(1.0 - $side ** 2 - $tip ** 2);
        $height = $r * (1.0 + $tip * cos($e) + $c * sin($e));
        $start = $r * ($c * cos($e) - $tip * sin($e));
        $shaft = Defaults::TIP_WIDTH / 2;
        // A "level" cue is in truth raised a little: its butt clears the far rail by itself, so only a near one counts.
        if ($toRail < self::RAIL_BEHIND && $height + ($toRail - $start) * tan($e) - $shaft / cos($e) < $nose) {
            return false;
        }
        foreach ($behind as [$back, $aside]) {
            // Distance of the ball's centre from the cue's axis, in the upright plane through the cue.
            $above = ($height - $r) * cos($e) + ($back - $start) * sin($e);
            if (hypot($above, $aside) < $r + $shaft) {
                return false;
            }
        }

        return true;
    }
}
