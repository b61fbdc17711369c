<?php

declare(strict_types=1);

namespace ZigLane\Core\Cue;

use ZigLane\Core\Ball\BallId;
use ZigLane\Core\Ball\BallSpec;
use ZigLane\Core\Settings\Defaults;
use ZigLane\Core\Simulation\Layout;
use ZigLane\Core\Table\TableGeometry;

/**
 * How far the cue must be raised to reach the cue ball over a rail or a ball behind it.
 *
 * Plain geometry: the shaft is a straight rod of its tip's width; it must pass over the cushion's edge, taken to be as
 * high as its nose, and its axis must stay a ball radius and half a shaft from the centre of every ball behind.
 */
final class LeastElevation
{
    private const STEP_DEG = 0.5;

    private function __construct() {}

    /**
     * @param float $aim rad
     *
     * @return float rad; INF when not even the steepest cue allowed would do
     */
    public static function of(Layout $layout, float $aim, Tip $tip, TableGeometry $geometry, BallSpec $ball): float
    {
        $cue = $layout->ball(BallId::CUE);
        $dx = cos($aim);
        $dy = sin($aim);
        // Distance back along the cue to the nearest rail's nose.
        $toRail = INF;
        foreach ([[$cue->x, $dx], [$geometry->length - $cue->x, -$dx], [$cue->y, $dy], [$geometry->width - $cue->y, -$dy]] as [$room, $speed]) {
            if ($speed > 1e-9) {
                $toRail = min($toRail, $room / $speed);
            }
        }
        $behind = [];
        foreach ($layout->balls as $id => $place) {
            if (BallId::CUE === $id) {
                continue;
            }
            $back = ($cue->x - $place->x) * $dx + ($cue->y - $place->y) * $dy;
            $aside = ($place->x - $cue->x) * -$dy + ($place->y - $cue->y) * $dx - $tip->side * $ball->radius;
            if ($back > 0.0 && abs($aside) < $ball->radius + Defaults::TIP_WIDTH / 2) {
                $behind[] = [$back, $aside];
            }
        }
        $nose = $geometry->table->cushion->noseHeight * 2 * $ball->radius;
        for ($degrees = 0.0; $degrees <= Defaults::MAX_ELEVATION_DEG; $degrees += self::STEP_DEG) {
            if (self::clears(deg2rad($degrees), $tip, $toRail, $nose, $behind, $ball->radius)) {
                return deg2rad($degrees);
            }
        }

        return INF;
    }

    /**
     * @param list<array{float, float}> $behind [back, aside] in m
     */
    private static function clears(float $e, Tip $tip, float $toRail, float $nose, array $behind, float $r): bool
    {
        $c = sqrt(1.0 - $tip->side ** 2 - $tip->height ** 2);
        $height = $r * (1.0 + $tip->height * cos($e) + $c * sin($e));
        $start = $r * ($c * cos($e) - $tip->height * sin($e));
        $shaft = Defaults::TIP_WIDTH / 2;
        // A "level" cue is in truth raised a little: its butt clears the far rail by itself, so only a near one counts.
        if ($toRail < 0.3 && $height + ($toRail - $start) * tan($e) - $shaft / cos($e) < $nose) {
            return false;
        }
        foreach ($behind as [$back, $aside]) {
            // Distance of the ball's centre from the cue's axis, in the upright plane through the cue.
            $above = ($height - $r) * cos($e) + ($back - $start) * sin($e);
            if ($back < 0.6 && hypot($above, $aside) < $r + $shaft) {
                return false;
            }
        }

        return true;
    }
}
