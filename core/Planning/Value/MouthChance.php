<?php

declare(strict_types=1);

namespace ZigLane\Core\Planning\Value;

/**
 * The chance that the cue points between the ghost balls of a mouth's edges, by plain geometry.
 *
 * @internal
 */
final readonly class MouthChance
{
    /** A thinner cut than this cosine is no shot. */
    private const THINNEST = 0.258;

    private float $spread;

    /** @param float $sigma standard deviation of the cue's direction, rad */
    public function __construct(float $sigma)
    {
        $this->spread = 2 * M_SQRT2 * $sigma;
    }

    /**
     * The chance of a pot from a place, and the cue ball's way to the contact, m.
     *
     * @param array{float, float, float, float, float, float, int, float, float} $mouth
     *
     * @return array{float, float, float}
     */
    public function from(array $mouth, float $x, float $y): array
    {
        [$ax, $ay, $bx, $by, $ux, $uy] = $mouth;
        $ax -= $x;
        $ay -= $y;
        $bx -= $x;
        $by -= $y;
        $mx = ($ax + $bx) / 2;
        $my = ($ay + $by) / 2;
        $long = sqrt($mx * $mx + $my * $my);
        if ($long < 1e-3 || $mx * $ux + $my * $uy < self::THINNEST * $long) {
            return [0.0, 0.0, 0.0];
        }
        $wide = abs(atan2($ax * $by - $ay * $bx, $ax * $bx + $ay * $by));

        return [self::within($wide / $this->spread), $mx, $my];
    }

    /** The error function, to 0.0005. M. Abramowitz and I. A. Stegun, "Handbook of Mathematical Functions", 1964, 7.1.27. */
    private static function within(float $z): float
    {
        $t = 1 + $z * (0.278393 + $z * (0.230389 + $z * (0.000972 + $z * 0.078108)));
        $t *= $t;

        return 1 - 1 / ($t * $t);
    }
}
