<?php

declare(strict_types=1);

namespace ZigLane\Core\Numerics;

/**
 * Nonlinear least squares with a damped Gauss–Newton step and slopes by differences.
 *
 * After K. Levenberg, "A method for the solution of certain non-linear problems in least squares", Q. Appl. Math. 2, 1944,
 * and D. W. Marquardt, "An algorithm for least-squares estimation of nonlinear parameters", SIAM J. Appl. Math. 11, 1963.
 */
final class LeastSquares
{
    private const STEPS = 60;
    private const DIFFERENCE = 1e-4;

    /** Widest step for the slopes of the covariance. */
    private const WIDEST = 0.2;

    private function __construct() {}

    /**
     * @param callable(list<float>): list<float> $residuals each in its own standard deviations; as many for every argument
     * @param list<float>                        $start     parameters of size about 1 (logarithms, say)
     *
     * The covariance is taken from slopes over steps as wide as the uncertainty itself: where the model has a kink nearby, the
     * slope at a point would promise more than the readings can keep.
     *
     * @throws \DomainException when the readings tell nothing of one of the parameters
     */
    public static function fit(callable $residuals, array $start): LeastSquaresFit
    {
        $p = $start;
        $r = $residuals($p);
        $cost = self::square($r);
        $damping = 1e-3;
        for ($step = 0; $step < self::STEPS; ++$step) {
            [$curve, $slope] = self::normal($residuals, $p, $r, array_fill(0, \count($p), self::DIFFERENCE));
            $better = false;
            while ($damping < 1e9) {
                $move = LinearSystem::solve(self::damped($curve, $damping), $slope);
                $next = array_map(static fn(float $v, float $d): float => $v - $d, $p, $move);
                $there = $residuals($next);
                if (self::square($there) < $cost) {
                    $better = $cost - self::square($there) > 1e-6;
                    [$p, $r, $cost] = [$next, $there, self::square($there)];
                    $damping *= 0.2;
                    break;
                }
                $damping *= 8.0;
            }
            if (!$better) {
                break;
            }
        }
        $steps = array_fill(0, \count($p), self::DIFFERENCE);
        $covariance = [];
        for ($pass = 0; $pass < 2; ++$pass) {
            [$curve] = self::normal($residuals, $p, $r, $steps);
            $covariance = [];
            $steps = [];
            foreach (array_keys($p) as $i) {
                $covariance[] = LinearSystem::solve($curve, array_map(static fn(int $k): float => $k === $i ? 1.0 : 0.0, array_keys($p)));
                $steps[] = max(self::DIFFERENCE, min(self::WIDEST, sqrt(max($covariance[$i][$i], 0.0))));
            }
        }

        return new LeastSquaresFit($p, $covariance, $r);
    }

    /**
     * @param callable(list<float>): list<float> $residuals
     * @param list<float>                        $p
     * @param list<float>                        $r     residuals at p
     * @param list<float>                        $steps of the differences
     *
     * @return array{list<list<float>>, list<float>} JᵀJ and Jᵀr
     */
    private static function normal(callable $residuals, array $p, array $r, array $steps): array
    {
        $columns = [];
        foreach ($p as $i => $value) {
            $ends = [];
            foreach ([1, -1] as $sign) {
                $moved = $p;
                $moved[$i] = $value + $sign * $steps[$i];
                $ends[] = $residuals(array_values($moved));
            }
            $columns[] = array_map(static fn(float $a, float $b): float => ($a - $b) / (2 * $steps[$i]), $ends[0], $ends[1]);
        }
        $curve = array_map(static fn(array $a): array => array_map(static fn(array $b): float => self::dot($a, $b), $columns), $columns);

        return [$curve, array_map(static fn(array $a): float => self::dot($a, $r), $columns)];
    }

    /**
     * @param list<list<float>> $curve
     *
     * @return list<list<float>>
     */
    private static function damped(array $curve, float $damping): array
    {
        $damped = [];
        foreach ($curve as $i => $row) {
            $damped[] = array_map(static fn(float $v, int $k): float => $k === $i ? $v * (1.0 + $damping) : $v, $row, array_keys($row));
        }

        return $damped;
    }

    /**
     * @param list<float> $a
     * @param list<float> $b
     */
    private static function dot(array $a, array $b): float
    {
        $sum = 0.0;
        foreach ($a as $i => $v) {
            $sum += $v * $b[$i];
        }

        return $sum;
    }

    /**
     * @param list<float> $r
     */
    private static function square(array $r): float
    {
        return self::dot($r, $r);
    }
}
