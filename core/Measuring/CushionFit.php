<?php

declare(strict_types=1);

namespace ZigLane\Core\Measuring;

use ZigLane\Core\Equipment\Cushion;
use ZigLane\Core\Physics\CushionRebound;
use ZigLane\Core\Physics\Motion;

/**
 * Chooses the cushion's restitution and friction by the rebounds players know: a grid over both, each point scored by how
 * far it is from the middle of every target range, in half-widths; a point outside any range is out.
 */
final class CushionFit
{
    /** Target ranges (common practice, no source): share of speed kept straight in, and degrees out for degrees in. */
    public const TARGETS = ['straight' => [0.5, 0.6], '30' => [31.0, 36.0], '45' => [48.0, 54.0], '60' => [66.0, 71.0]];

    /** A rolling ball's 45° rebound must be shortened by this much, degrees, by strong reverse side (our own choice). */
    public const LEAST_HOLD = 3.0;

    /** Strong side: surface speed of the vertical spin, as a share of the ball's speed. */
    public const STRONG = 0.8;

    private const STEPS = 60;

    private function __construct() {}

    /**
     * What a ball does that rolls into the cushion and, later, rolls away from it.
     *
     * @param float $degrees from the normal
     * @param float $side    running positive, as in STRONG
     *
     * @return array{float, float} [degrees from the normal, share of speed kept]
     */
    public static function rollAway(Cushion $c, float $degrees, float $side = 0.0): array
    {
        $vx = sin(deg2rad($degrees));
        $vy = cos(deg2rad($degrees));
        // A radius of 1 m: the law knows no length.
        $back = CushionRebound::of(new Motion($vx, $vy, -$vy, $vx, $side), 1.0, $c, self::STEPS);
        $rx = (5 * $back->vx + 2 * $back->wy) / 7;
        $ry = (5 * $back->vy - 2 * $back->wx) / 7;

        return [rad2deg(atan2($rx, -$ry)), hypot($rx, $ry)];
    }

    /**
     * @return array{straight: float, 30: float, 45: float, 60: float, reverse: float, running: float}
     */
    public static function describe(Cushion $c): array
    {
        return [
            'straight' => self::rollAway($c, 0.0)[1],
            30 => self::rollAway($c, 30.0)[0],
            45 => self::rollAway($c, 45.0)[0],
            60 => self::rollAway($c, 60.0)[0],
            'reverse' => self::rollAway($c, 45.0, -self::STRONG)[0],
            'running' => self::rollAway($c, 45.0, self::STRONG)[0],
        ];
    }

    /**
     * The best points of the grid, best first.
     *
     * @return list<array{restitution: float, friction: float, score: float}>
     */
    public static function search(int $keep = 5): array
    {
        $found = [];
        for ($e = 90; $e <= 98; ++$e) {
            for ($mu = 10; $mu <= 30; ++$mu) {
                $score = self::score(new Cushion($e / 100, $mu / 100));
                if (null !== $score) {
                    $found[] = ['restitution' => $e / 100, 'friction' => $mu / 100, 'score' => $score];
                }
            }
        }
        usort($found, static fn(array $a, array $b): int => $a['score'] <=> $b['score']);

        return \array_slice($found, 0, $keep);
    }

    /** Root mean square distance from the middles, in half-widths; null outside any range. */
    public static function score(Cushion $c): ?float
    {
        $values = self::describe($c);
        $sum = 0.0;
        foreach (self::TARGETS as $name => [$low, $high]) {
            $off = ($values[$name] - ($low + $high) / 2) / (($high - $low) / 2);
            if (abs($off) > 1.0) {
                return null;
            }
            $sum += $off * $off;
        }
        if ($values[45] - $values['reverse'] < self::LEAST_HOLD) {
            return null;
        }

        return sqrt($sum / \count(self::TARGETS));
    }
}
