<?php

declare(strict_types=1);

namespace ZigLane\Core\Photo;

use ZigLane\Core\Geometry\Point;
use ZigLane\Core\Settings\Defaults;

/**
 * Finds the ball near a tap by its outline: the camera says how large and of what form it is, the picture where its edge lies.
 *
 * First the form is moved about until the colours change most along it, then every part of it is drawn to the edge nearby, and the parts
 * that found another edge (a shadow, a neighbour) count for little (weights after A. E. Beaton and J. W. Tukey, "The fitting of power
 * series, meaning polynomials, illustrated on band-spectroscopic data", Technometrics 16, 1974).
 */
final readonly class BallOutline
{
    private const POINTS = 40;

    /** A tap is at most so far from the ball's middle, in the ball's own radii. */
    private const REACH = 0.8;

    /** The form is first moved about in such steps, in radii, at least a px. */
    private const STEP = 0.12;

    /** Colours that differ by less than this are one, sum over red, green and blue. */
    private const NOISE = 24.0;

    /** Stronger edges count no more than this, so that a stripe does not outweigh the outline. */
    private const STRONG = 150.0;

    /** Edges are looked for so far beside the outline, in radii, pass by pass; never nearer than a px. */
    private const PASSES = [0.35, 0.25, 0.15, 0.12, 0.12];

    /** Share of the outline that must lie on an edge. */
    private const ENOUGH = 0.55;

    /** Error of a found middle, px (measured on drawn pictures). */
    public const ERROR = 0.5;

    private function __construct() {}

    /**
     * Where in the picture the ball's middle is.
     *
     * @return array{float, float}|null px; null when there is no such outline near the tap
     */
    public static function find(Picture $picture, PhotoCamera $camera, float $u, float $v): ?array
    {
        $form = self::form($camera, $u, $v);
        if (null === $form) {
            return null;
        }
        $radius = $form['radius'];
        $patch = Patch::around($picture, $u, $v, (int) ceil(2.4 * $radius) + 4);
        [$u, $v] = self::coarse($patch, $form, $u, $v);
        $share = 0.0;
        foreach (self::PASSES as $wide) {
            $form = self::form($camera, $u, $v);
            if (null === $form) {
                return null;
            }
            [$du, $dv, $share] = self::drawn($patch, $form['points'], $u, $v, max(1.5, $wide * $radius));
            $u += $du;
            $v += $dv;
        }

        return $share < self::ENOUGH ? null : [$u, $v];
    }

    /**
     * The outline of a ball whose middle is seen there, from that middle, and outward directions.
     *
     * @return array{radius: float, points: list<array{float, float, float, float}>}|null
     */
    private static function form(PhotoCamera $camera, float $u, float $v): ?array
    {
        $place = $camera->onHeight($u, $v, Defaults::BALL_RADIUS);
        $outline = null === $place ? [] : $camera->outline($place, Defaults::BALL_RADIUS, self::POINTS);
        if ([] === $outline) {
            return null;
        }
        $points = [];
        $sum = 0.0;
        foreach ($outline as $k => [$x, $y]) {
            [$ax, $ay] = $outline[($k + 1) % self::POINTS];
            [$bx, $by] = $outline[($k + self::POINTS - 1) % self::POINTS];
            // Across the way from one neighbour to the other, outward.
            $long = max(1e-9, hypot($ax - $bx, $ay - $by));
            $nx = ($ay - $by) / $long;
            $ny = ($bx - $ax) / $long;
            $sign = $nx * ($x - $u) + $ny * ($y - $v) < 0 ? -1.0 : 1.0;
            $points[] = [$x - $u, $y - $v, $sign * $nx, $sign * $ny];
            $sum += hypot($x - $u, $y - $v);
        }

        return ['radius' => $sum / self::POINTS, 'points' => $points];
    }

    /**
     * Where near the tap the colours change most along the form.
     *
     * @param array{radius: float, points: list<array{float, float, float, float}>} $form
     *
     * @return array{float, float}
     */
    private static function coarse(Patch $patch, array $form, float $u, float $v): array
    {
        $reach = self::REACH * $form['radius'];
        $step = max(1.0, self::STEP * $form['radius']);
        $best = [-1.0, $u, $v];
        for ($du = -$reach; $du <= $reach; $du += $step) {
            for ($dv = -$reach; $dv <= $reach; $dv += $step) {
                if ($du * $du + $dv * $dv > $reach * $reach) {
                    continue;
                }
                $sum = 0.0;
                foreach ($form['points'] as [$x, $y, $nx, $ny]) {
                    $sum += min(self::STRONG, $patch->change($u + $du + $x, $v + $dv + $y, $nx, $ny, 1.2));
                }
                // Of equal ones the nearest to the tap.
                $sum *= 1.0 - 0.15 * ($du * $du + $dv * $dv) / ($reach * $reach);
                if ($sum > $best[0]) {
                    $best = [$sum, $u + $du, $v + $dv];
                }
            }
        }

        return [$best[1], $best[2]];
    }

    /**
     * The move that brings the outline on to the edges beside it.
     *
     * @param list<array{float, float, float, float}> $points
     *
     * @return array{float, float, float} px, px, share of the outline that lies on an edge after it
     */
    private static function drawn(Patch $patch, array $points, float $u, float $v, float $wide): array
    {
        $edges = [];
        foreach ($points as [$x, $y, $nx, $ny]) {
            $edge = self::edge($patch, [$u + $x, $v + $y, $nx, $ny], $wide);
            if (null !== $edge) {
                $edges[] = [$nx, $ny, $edge[0], min(self::STRONG, $edge[1])];
            }
        }
        $du = $dv = 0.0;
        $scale = max(0.8, $wide / 2);
        $near = 0;
        for ($pass = 0; $pass < 6; ++$pass) {
            $xx = $xy = $yy = $x = $y = 0.0;
            $near = 0;
            foreach ($edges as [$nx, $ny, $at, $strength]) {
                $off = ($at - $nx * $du - $ny * $dv) / (2.5 * $scale);
                if (abs($off) >= 1.0) {
                    continue;
                }
                $near += abs($at - $nx * $du - $ny * $dv) < 1.5 ? 1 : 0;
                $weight = $strength * (1.0 - $off * $off) ** 2;
                $xx += $weight * $nx * $nx;
                $xy += $weight * $nx * $ny;
                $yy += $weight * $ny * $ny;
                $x += $weight * $nx * $at;
                $y += $weight * $ny * $at;
            }
            $size = $xx * $yy - $xy * $xy;
            if ($size < 1e-6 * ($xx + $yy) ** 2 || 0.0 === $xx + $yy) {
                return [0.0, 0.0, 0.0];
            }
            $du = ($x * $yy - $y * $xy) / $size;
            $dv = ($y * $xx - $x * $xy) / $size;
            $scale = max(0.4, 0.7 * $scale);
        }

        return [$du, $dv, $near / \count($points)];
    }

    /**
     * The strongest change of colour along a line across the outline.
     *
     * @param array{float, float, float, float} $across a point of it, and the direction outward
     *
     * @return array{float, float}|null px from the point, outward; how strong
     */
    private static function edge(Patch $patch, array $across, float $wide): ?array
    {
        [$x, $y, $nx, $ny] = $across;
        $step = 0.5;
        $steps = (int) ceil($wide / $step);
        $strengths = [];
        $best = -$steps;
        for ($k = -$steps; $k <= $steps; ++$k) {
            $strengths[$k] = $patch->change($x + $k * $step * $nx, $y + $k * $step * $ny, $nx, $ny, 1.0);
            if ($strengths[$k] > $strengths[$best]) {
                $best = $k;
            }
        }
        if ($strengths[$best] < self::NOISE) {
            return null;
        }
        // The middle of the hill of change.
        $sum = $moment = 0.0;
        for ($k = max(-$steps, $best - 3); $k <= min($steps, $best + 3); ++$k) {
            $sum += $strengths[$k];
            $moment += $strengths[$k] * $k;
        }

        return [$step * $moment / $sum, $strengths[$best]];
    }
}
