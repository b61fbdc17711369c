<?php

declare(strict_types=1);

namespace ZigLane\Core\Physics\Internal;

/**
 * When does something moving on a parabola first touch something else? Both questions are answered by bounds that
 * can never skip a contact, so no general root finder is needed.
 */
final class Contact
{
    /** Nearer than this (m) counts as touching. */
    public const TOUCH = 1e-10;

    /** Slower than this (m/s) along the line of contact counts as neither coming nor going. */
    public const STILL = 1e-7;

    /** Pressed together less than this (m/s²) counts as lying side by side. */
    private const PRESS = 1e-3;

    /** Two things lying side by side may sink this far (m) into one another before it is a contact. */
    private const SINK = 5e-8;

    private function __construct() {}

    /**
     * First time at which |p + v t + ½ a t²| falls to the distance d.
     *
     * At any instant the distance is at least its projection on the present line of centres n, which is the quadratic
     * n·p + n·v t + ½ n·a t². Going to the first root of that bound can therefore not overshoot; repeated, it is
     * Newton's iteration from the safe side. Where the bound has no root in time, there is no contact.
     *
     * @param float $px relative place, m
     * @param float $py
     * @param float $vx relative velocity, m/s
     * @param float $vy
     * @param float $ax relative acceleration, m/s²
     * @param float $ay
     * @param float $d  distance at contact, m
     * @param float $until s; contacts later than this are not looked for
     *
     * @return float s from now, or INF
     */
    public static function ofDiscs(
        float $px,
        float $py,
        float $vx,
        float $vy,
        float $ax,
        float $ay,
        float $d,
        float $until,
    ): float {
        $t = 0.0;
        for ($i = 0; $i < 200; ++$i) {
            $r = sqrt($px * $px + $py * $py);
            if ($r < 1e-12) {
                return $t;
            }
            $vn = ($px * $vx + $py * $vy) / $r;
            $an = ($px * $ax + $py * $ay) / $r;
            $step = self::ofGap($r - $d, $vn, $an);
            if (0.0 === $step) {
                return $t;
            }
            if ($step > $until - $t || INF === $step) {
                return INF;
            }
            $t += $step;
            $px += ($vx + 0.5 * $ax * $step) * $step;
            $py += ($vy + 0.5 * $ay * $step) * $step;
            $vx += $ax * $step;
            $vy += $ay * $step;
        }

        return $t;
    }

    /**
     * First time at which the gap g + v t + ½ a t² closes: 0 when it is closed and closing, INF when it never does.
     *
     * @param float $g gap, m
     * @param float $v rate of the gap, m/s
     * @param float $a m/s²
     */
    public static function ofGap(float $g, float $v, float $a): float
    {
        if ($v >= 0.0 && $a >= 0.0) {
            return INF;
        }
        if ($g <= self::TOUCH) {
            if ($v < -self::STILL) {
                return 0.0;
            }
            if ($v <= self::STILL) {
                if ($a < -self::PRESS || $g <= -self::SINK) {
                    return 0.0;
                }
                $g = self::SINK;
            } elseif ($g < 0.0) {
                $g = 0.0;
            }
        }
        if ($v < 0.0) {
            $square = $v * $v - 2.0 * $a * $g;

            return $square < 0.0 ? INF : 2.0 * $g / (sqrt($square) - $v);
        }

        return ($v + sqrt($v * $v - 2.0 * $a * $g)) / -$a;
    }
}
