<?php

declare(strict_types=1);

namespace ZigLane\Core\Potting;

use ZigLane\Core\Numerics\Generator;
use ZigLane\Core\Numerics\NormalDistribution;
use ZigLane\Core\Player\ErrorSample;

/**
 * Standard normal errors of aim, speed, tip side and tip height that fill their space evenly: the same number of them
 * always the same ones, so that two shots compared are compared under the same errors.
 *
 * J. H. Halton, "On the efficiency of certain quasi-random sequences of points in evaluating multi-dimensional integrals",
 * Numer. Math. 2, 1960.
 */
final class ErrorSamples
{
    /** @var array<int, list<ErrorSample>> by number */
    private static array $made = [];

    private function __construct() {}

    /**
     * @return list<ErrorSample>
     */
    public static function of(int $number): array
    {
        if (!isset(self::$made[$number])) {
            $samples = [];
            for ($i = 1; $i <= $number; ++$i) {
                $samples[] = new ErrorSample(
                    NormalDistribution::quantile(self::halton($i, 2)),
                    NormalDistribution::quantile(self::halton($i, 3)),
                    NormalDistribution::quantile(self::halton($i, 5)),
                    NormalDistribution::quantile(self::halton($i, 7)),
                );
            }
            self::$made[$number] = $samples;
        }

        return self::$made[$number];
    }

    /**
     * The same from pseudo-random numbers: errors that nothing has been chosen by.
     *
     * @return list<ErrorSample>
     */
    public static function random(int $number, Generator $random): array
    {
        $draw = static fn(): float => NormalDistribution::quantile(max(1e-9, min(1 - 1e-9, $random->between(0.0, 1.0))));
        $samples = [];
        for ($i = 0; $i < $number; ++$i) {
            $samples[] = new ErrorSample($draw(), $draw(), $draw(), $draw());
        }

        return $samples;
    }

    private static function halton(int $index, int $base): float
    {
        $value = 0.0;
        $digit = 1.0;
        while ($index > 0) {
            $digit /= $base;
            $value += $digit * ($index % $base);
            $index = intdiv($index, $base);
        }

        return $value;
    }
}
