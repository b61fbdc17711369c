<?php

declare(strict_types=1);

namespace ZigLane\Core\Numerics;

/**
 * The normal distribution with mean 0 and standard deviation 1.
 */
final class NormalDistribution
{
    /** Standard deviations on either side of the mean between which 95 % lie. */
    public const TWO_SIDED_95 = 1.959964;

    private function __construct() {}

    /**
     * Share below x, to about 1e-7: M. Abramowitz and I. A. Stegun, "Handbook of Mathematical Functions", 1964, 7.1.26.
     */
    public static function share(float $x): float
    {
        if ($x < -8.0) {
            return 0.0;
        }
        if ($x > 8.0) {
            return 1.0;
        }
        $z = abs($x) * M_SQRT1_2;
        $t = 1.0 / (1.0 + 0.3275911 * $z);
        $tail = 0.5 * ((((1.061405429 * $t - 1.453152027) * $t + 1.421413741) * $t - 0.284496736) * $t + 0.254829592) * $t * exp(-$z * $z);

        return $x > 0.0 ? 1.0 - $tail : $tail;
    }

    /** The x below which a share p, 0 < p < 1, lies: bisection on share(), 1e-9. */
    public static function quantile(float $p): float
    {
        $low = -8.0;
        $high = 8.0;
        while ($high - $low > 1e-9) {
            $middle = ($low + $high) / 2;
            if (self::share($middle) < $p) {
                $low = $middle;
            } else {
                $high = $middle;
            }
        }

        return ($low + $high) / 2;
    }
}
