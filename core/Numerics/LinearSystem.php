<?php

declare(strict_types=1);

namespace ZigLane\Core\Numerics;

/**
 * A few linear equations.
 */
final class LinearSystem
{
    private function __construct() {}

    /**
     * A x = b by Gaussian elimination with the largest pivot.
     *
     * @param list<list<float>> $a
     * @param list<float>       $b
     *
     * @return list<float> x
     *
     * @throws \DomainException when the equations leave an unknown open
     */
    public static function solve(array $a, array $b): array
    {
        $n = \count($b);
        for ($i = 0; $i < $n; ++$i) {
            $pivot = $i;
            for ($k = $i + 1; $k < $n; ++$k) {
                $pivot = abs($a[$k][$i]) > abs($a[$pivot][$i]) ? $k : $pivot;
            }
            if (abs($a[$pivot][$i]) < 1e-14) {
                throw new \DomainException('Nothing in the data tells one of the parameters.');
            }
            [$a[$i], $a[$pivot], $b[$i], $b[$pivot]] = [$a[$pivot], $a[$i], $b[$pivot], $b[$i]];
            for ($k = $i + 1; $k < $n; ++$k) {
                $f = $a[$k][$i] / $a[$i][$i];
                for ($j = $i; $j < $n; ++$j) {
                    $a[$k][$j] -= $f * $a[$i][$j];
                }
                $b[$k] -= $f * $b[$i];
            }
        }
        for ($i = $n - 1; $i >= 0; --$i) {
            for ($j = $i + 1; $j < $n; ++$j) {
                $b[$i] -= $a[$i][$j] * $b[$j];
            }
            $b[$i] /= $a[$i][$i];
        }

        return array_values($b);
    }
}
