<?php

declare(strict_types=1);

namespace ZigLane\Core\Numerics;

/**
 * A mean or a trend of few numbers with its 90 % interval, by Student's t (W. S. Gosset, "The probable error of a mean",
 * Biometrika 6, 1908).
 */
final class StudentEstimate
{
    /** Two-sided 90 % limits of t by degrees of freedom, from memory of the tables; more degrees: the normal limit. */
    private const T90 = [1 => 6.31, 2.92, 2.35, 2.13, 2.02, 1.94, 1.89, 1.86, 1.83, 1.81];
    private const NORMAL = 1.645;

    private function __construct() {}

    /**
     * @param list<int|float> $values at least two
     *
     * @return array{float, float, float} mean, lower and upper limit
     */
    public static function mean(array $values): array
    {
        $many = \count($values);
        $mean = array_sum($values) / $many;
        $square = array_sum(array_map(static fn(int|float $v): float => ($v - $mean) ** 2, $values)) / ($many - 1);
        $half = self::limit($many - 1) * sqrt($square / $many);

        return [$mean, $mean - $half, $mean + $half];
    }

    /**
     * Least squares: a straight line through the values, one step each.
     *
     * @param list<int|float> $values at least three
     *
     * @return array{float, float, float} rise a step, lower and upper limit
     */
    public static function slope(array $values): array
    {
        $many = \count($values);
        $middle = ($many - 1) / 2;
        $mean = array_sum($values) / $many;
        $xx = $xy = 0.0;
        foreach ($values as $n => $value) {
            $xx += ($n - $middle) ** 2;
            $xy += ($n - $middle) * ($value - $mean);
        }
        $slope = $xy / $xx;
        $rest = 0.0;
        foreach ($values as $n => $value) {
            $rest += ($value - $mean - $slope * ($n - $middle)) ** 2;
        }
        $half = self::limit($many - 2) * sqrt($rest / ($many - 2) / $xx);

        return [$slope, $slope - $half, $slope + $half];
    }

    private static function limit(int $degrees): float
    {
        return self::T90[$degrees] ?? self::NORMAL;
    }
}
