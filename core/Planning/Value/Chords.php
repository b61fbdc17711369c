<?php

declare(strict_types=1);

namespace ZigLane\Core\Planning\Value;

/**
 * A cue ball's way as chords: its corners as x and y in turn, m.
 *
 * @internal
 */
final class Chords
{
    private function __construct() {}

    /**
     * Where on a way the cue ball first meets a ball.
     *
     * @param list<float> $way
     * @param float       $reach square of the distance at which they touch, m²
     *
     * @return float|null chord and share of it
     */
    public static function meeting(array $way, float $px, float $py, float $reach): ?float
    {
        $bx = $way[0];
        $by = $way[1];
        $count = \count($way) >> 1;
        for ($k = 1; $k < $count; ++$k) {
            $ax = $bx;
            $ay = $by;
            $bx = $way[2 * $k];
            $by = $way[2 * $k + 1];
            $dx = $bx - $ax;
            $dy = $by - $ay;
            $long = $dx * $dx + $dy * $dy;
            $at = $long > 0.0 ? (($px - $ax) * $dx + ($py - $ay) * $dy) / $long : 0.0;
            $at = $at < 0.0 ? 0.0 : ($at > 1.0 ? 1.0 : $at);
            $ox = $px - $ax - $at * $dx;
            $oy = $py - $ay - $at * $dy;
            $near = $ox * $ox + $oy * $oy;
            if ($near < $reach) {
                // Where on the chord it touches, not where it would be nearest.
                $back = $long > 0.0 ? sqrt(($reach - $near) / $long) : 0.0;

                return $k - 1 + max(0.0, $at - $back);
            }
        }

        return null;
    }
}
