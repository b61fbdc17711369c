<?php

declare(strict_types=1);

namespace ZigLane\Core\Physics\Internal;

/**
 * A ball is pressed into a cushion and thrown back, rubbing against the nose and against the cloth meanwhile.
 *
 * After S. Mathavan, M. R. Jackson and R. M. Parkin, "A theoretical analysis of billiard ball dynamics under cushion
 * impacts", Proc. IMechE C 224, 2010. The impact is integrated over the impulse P that the nose gives along the line
 * from the ball's centre to the point of contact, which lies above the equator by the angle θ. Per unit of impulse,
 * with x along the cushion, y into it, z up, s = sin θ, c = cos θ, (Φ) the direction of slip at the nose in the plane
 * of x and (0, −s, c), (Ψ) that on the cloth:
 *
 *   vertical balance: cloth impulse k = s + μ sinΦ c (not below 0)
 *   m dvx = −μ cosΦ − μc k cosΨ          m dvy = −c + μ s sinΦ − μc k sinΨ
 *   (2mR/5) dωx = −μ sinΦ − μc k sinΨ    (2mR/5) dωy = −μ s cosΦ + μc k cosΨ    (2mR/5) dωz = μ c cosΦ
 *
 * Compression lasts until vy = 0; the rebound gives back e² of the work then done (W. J. Stronge's energetic
 * restitution, which that paper uses). Second-order midpoint steps: docs/physics.md says what so
 * few leave. Rolling balls take RollingRebound's table.
 * The law has no time or speed scale of its own: only ratios of the speeds matter.
 */
final class CushionImpact
{
    /** Steps for the compression, and at most about as many again for the rebound. */
    public const STEPS = 32;

    /** How much finer the steps are while a slip is nearly nil. */
    private const FINER = 5;

    /** A slip this much smaller (squared) than where the finer steps begin has ended. */
    private const ENDED = 1e-6;

    /** A ball leaves a cushion at least this fast, m/s: see BallBall::LEAST_PARTING. */
    public const LEAST_PARTING = 2e-4;

    private function __construct() {}

    /**
     * @param float $vx along the cushion, m/s
     * @param float $vy into the cushion, m/s, ≥ 0
     * @param float $rwx R times the spin about the cushion's direction, m/s
     * @param float $rwy R times the spin about the direction into the cushion, m/s
     * @param float $rwz R times the spin about the vertical, m/s
     * @param float $e   normal restitution
     * @param float $mu  friction at the nose
     * @param float $muc friction on the cloth
     * @param float $s   sin θ
     * @param float $c   cos θ
     * @param int<1, max> $steps
     *
     * @return array{float, float, float, float, float} the same five afterwards
     */
    public static function rebound(
        float $vx,
        float $vy,
        float $rwx,
        float $rwy,
        float $rwz,
        float $e,
        float $mu,
        float $muc,
        float $s,
        float $c,
        int $steps = self::STEPS,
    ): array {
        if ($vy < self::LEAST_PARTING) {
            return [$vx, -self::LEAST_PARTING, $rwx, $rwy, $rwz];
        }
        $long = $vy / ($c * $steps);
        $close = 4.0 * $long * $long;
        $ended = self::ENDED * $close;
        $work = 0.0;
        $goal = INF; // work still to be given back; INF while compressing
        $cx = $cy = 0.0; // friction on the cloth, per unit of impulse
        // The friction that keeps a resting nose at rest: against the wedge of its tilt, and against the cloth's pull.
        $hold = $s * $c / (2.5 + $s * $s);
        $holdX = (2.5 * $s - 1.0) / 3.5;
        $holdT = ($s - 2.5) / (2.5 + $s * $s);
        $guard = 20 * self::FINER * $steps;
        while ($guard-- > 0) {
            // Where a slip is about to end or has just begun its direction turns quickly: go in finer steps there. Within
            // one step the slip at the nose changes by up to about 1 per unit of impulse, that on the cloth by 1.6.
            $nx = $vx + $rwy * $s - $rwz * $c;
            $nt = $rwx - $vy * $s;
            $ux = $vx - $rwy;
            $uy = $vy + $rwx;
            // A slip that has ended is smooth again: what holds it is worked out, not stepped to.
            $nose = $nx * $nx + $nt * $nt;
            $cloth = $ux * $ux + $uy * $uy;
            $fine = ($nose < $close && $nose > $ended) || ($cloth < $close && $cloth > $ended);
            $h = $fine ? $long / self::FINER : $long;
            // Friction of 1/(3.5 h) per unit of slip would end the slip within one step (a surface gains 7/2 of the
            // impulse per mass), more would turn it round: near the end the ball sticks. Half as much again still
            // settles under the midpoint rule and follows the sticking ball more closely.
            $grip = 1.5 / (3.5 * $h);
            $near = 2.0 * $mu;
            // Midpoint rule: slopes here, half a step, slopes there. Written out, since this is the busiest loop of all.
            $x = $vx;
            $y = $vy;
            $p = $rwx;
            $q = $rwy;
            $r = $rwz;
            for ($stage = 0; ; ++$stage) {
                $nx = $x + $q * $s - $r * $c;
                $nt = $p - $y * $s;
                $slip = sqrt($nx * $nx + $nt * $nt) * $grip;
                if ($slip > $near) {
                    $size = $mu * $grip / $slip;
                    $nx *= $size;
                    $nt *= $size;
                } else {
                    // Nearly at rest there: what would hold it, and what ends the rest of the slip, as far as μ allows.
                    $nx = $nx * $grip + $holdX * $cx;
                    $nt = $nt * $grip + $holdT * $cy + $hold;
                    $size = sqrt($nx * $nx + $nt * $nt);
                    if ($size > $mu) {
                        $nx *= $mu / $size;
                        $nt *= $mu / $size;
                    }
                }
                $k = $s + $nt * $c;
                $most = $k > 0.0 ? $muc * $k : 0.0;
                $cx = $x - $q;
                $cy = $y + $p;
                $slip = sqrt($cx * $cx + $cy * $cy) * $grip;
                if ($slip > $near) {
                    $size = $most * $grip / $slip;
                    $cx *= $size;
                    $cy *= $size;
                } else {
                    $cx = $cx * $grip + (2.5 * $s - 1.0) * $nx / 3.5;
                    $cy = $cy * $grip + (($s - 2.5) * $nt - $c) / 3.5;
                    $size = sqrt($cx * $cx + $cy * $cy);
                    if ($size > $most) {
                        $cx *= $most / $size;
                        $cy *= $most / $size;
                    }
                }
                $ax = -$nx - $cx;
                $ay = $s * $nt - $c - $cy;
                $bx = -2.5 * ($nt + $cy);
                $by = 2.5 * ($cx - $s * $nx);
                $bz = 2.5 * $c * $nx;
                if (1 === $stage) {
                    break;
                }
                $half = 0.5 * $h;
                $x += $ax * $half;
                $y += $ay * $half;
                $p += $bx * $half;
                $q += $by * $half;
                $r += $bz * $half;
            }
            $next = $vy + $ay * $h;
            $f = 1.0;
            if (INF === $goal) {
                if ($next <= 0.0) {
                    $f = $vy / ($vy - $next);
                    $next = 0.0;
                }
                $work += 0.5 * ($vy + $next) * $f * $h;
                if (0.0 === $next) {
                    $goal = $e * $e * $work;
                    $work = 0.0;
                }
            } else {
                // Work given back within this step: −∫ vy dP, vy linear in it.
                $gain = -0.5 * ($vy + $next) * $h;
                if ($work + $gain >= $goal) {
                    $need = ($goal - $work) / $h;
                    $slope = $next - $vy;
                    $f = 2.0 * $need / (-$vy + sqrt($vy * $vy - 2.0 * $slope * $need));
                    $next = $vy + $slope * $f;
                    $guard = 0;
                }
                $work += $gain;
            }
            $step = $f * $h;
            $vx += $ax * $step;
            $rwx += $bx * $step;
            $rwy += $by * $step;
            $rwz += $bz * $step;
            $vy = $next;
        }

        return [$vx, $vy < -self::LEAST_PARTING ? $vy : -self::LEAST_PARTING, $rwx, $rwy, $rwz];
    }
}
