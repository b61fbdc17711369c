<?php

declare(strict_types=1);

namespace ZigLane\Tests\Core\Physics;

use ZigLane\Core\Ball\BallId;
use ZigLane\Core\Simulation\Layout;
use ZigLane\Core\Simulation\PathPiece;
use ZigLane\Core\Simulation\ShotResult;
use ZigLane\Core\Table\Point;

/**
 * Set-ups and readings that several physics tests share.
 */
final class Layouts
{
    public const R = 0.028575;

    /** A cue ball at (1, 0.6) about to touch the 1 with the line of centres turned by an angle (rad) from +x. */
    public static function touching(float $cut, float $gap = 1e-6): Layout
    {
        $cue = new Point(1.0, 0.6);

        return new Layout([BallId::CUE => $cue, 1 => $cue->toward($cut, 2 * self::R + $gap)]);
    }

    /** The first piece of a ball's path that begins at or after a time and rolls, or not. */
    public static function piece(ShotResult $result, int $ball, bool $rolling, float $after = 0.0): PathPiece
    {
        foreach ($result->paths[$ball] ?? [] as $piece) {
            if ($piece->rolling === $rolling && $piece->from >= $after - 1e-12) {
                return $piece;
            }
        }
        throw new \LogicException("Ball $ball has no such piece.");
    }

    /** Degrees from +x toward +y. */
    public static function heading(PathPiece $piece): float
    {
        return rad2deg(atan2($piece->vy, $piece->vx));
    }

    /** m/s */
    public static function speed(PathPiece $piece): float
    {
        return hypot($piece->vx, $piece->vy);
    }
}
