<?php

declare(strict_types=1);

namespace ZigLane\Core\Numerics;

/**
 * The 95 % interval of a share that was counted.
 *
 * E. B. Wilson, "Probable inference, the law of succession, and statistical inference", J. Am. Stat. Assoc. 22, 1927.
 */
final class WilsonInterval
{
    private function __construct() {}

    /**
     * @return array{float, float} low and high, 0–1; all of it for nothing counted
     */
    public static function of(int $of, int $all): array
    {
        if (0 === $all) {
            return [0.0, 1.0];
        }
        $p = $of / $all;
        $z2 = NormalDistribution::TWO_SIDED_95 ** 2 / $all;
        $middle = ($p + $z2 / 2) / (1 + $z2);
        $half = NormalDistribution::TWO_SIDED_95 / (1 + $z2) * sqrt($p * (1 - $p) / $all + $z2 / (4 * $all));

        return [max(0.0, $middle - $half), min(1.0, $middle + $half)];
    }
}
