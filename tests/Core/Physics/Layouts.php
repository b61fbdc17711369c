<?php

declare(strict_types=1);

namespace ZigLane\Tests\Core\Physics;

use ZigLane\Core\Equipment\BallId;
use ZigLane\Core\Geometry\Point;
use ZigLane\Core\Numerics\Generator;
use ZigLane\Core\Physics\Layout;
use ZigLane\Core\Physics\PathPiece;
use ZigLane\Core\Physics\Shot;
use ZigLane\Core\Physics\ShotResult;
use ZigLane\Core\Physics\Simulator;
use ZigLane\Core\Physics\Tip;

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

    /** A cue ball and so many others anywhere, apart from each other. */
    public static function random(Simulator $simulator, Generator $random, int $balls): Layout
    {
        $g = $simulator->geometry;
        $places = [];
        while (\count($places) <= $balls) {
            $p = new Point($random->between($g->reach, $g->length - $g->reach), $random->between($g->reach, $g->width - $g->reach));
            $clear = $g->canRest($p);
            foreach ($places as $q) {
                $clear = $clear && $p->distanceTo($q) > 2 * self::R;
            }
            if ($clear) {
                $places[] = $p;
            }
        }

        return new Layout($places);
    }

    /** Any direction, any tip within the limit, a cue speed from 0.3 m/s to the fastest. */
    public static function stroke(Generator $random, float $fastest): Shot
    {
        $r = 0.5 * sqrt($random->between(0, 1));
        $turn = $random->between(0, 2 * M_PI);

        return new Shot($random->between(0, 2 * M_PI), $random->between(0.3, $fastest), new Tip($r * cos($turn), $r * sin($turn)));
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
