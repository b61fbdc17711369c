<?php

declare(strict_types=1);

namespace ZigLane\Core\Potting;

use ZigLane\Core\Numerics\Generator;
use ZigLane\Core\Numerics\NormalDistribution;
use ZigLane\Core\Player\ErrorSample;

/**
 * Standard normal errors of aim, speed, tip side and tip height that fill their space evenly: the same number of them
 * always the same ones, so that two shots compared are compared under the same errors. Another seed gives another such set.
 *
 * J. H. Halton, "On the efficiency of certain quasi-random sequences of points in evaluating multi-dimensional integrals",
 * Numer. Math. 2, 1960; turned round by a random shift for seeds other than 1 (R. Cranley and T. N. L. Patterson, "Randomization of
 * number theoretic methods for multiple integration", SIAM J. Numer. Anal. 13, 1976).
 */
final readonly class ErrorSamples
{
    /** The seed without a shift. */
    public const PLAIN = 1;

    private const BASES = [2, 3, 5, 7];

    /** Nearer to 0 or 1 a shifted number is not taken: a normal error has no end there. */
    private const MARGIN = 1e-9;

    public function __construct(private int $seed = self::PLAIN) {}

    /** So many that a search judges by at most: they are left out of the last judgement, which would flatter what was chosen by them. */
    public const SEEN = 144;

    /**
     * So many for a last judgement, none of which a search has seen.
     *
     * @return list<ErrorSample>
     */
    public function judging(int $number): array
    {
        return \array_slice($this->first($number + self::SEEN), self::SEEN);
    }

    /**
     * The first so many.
     *
     * @return list<ErrorSample>
     */
    public function first(int $number): array
    {
        /** @var array<string, list<ErrorSample>> $made */
        static $made = [];

        return $made["$this->seed $number"] ??= $this->drawn($number);
    }

    /**
     * @return list<ErrorSample>
     */
    private function drawn(int $number): array
    {
        $shifts = [0.0, 0.0, 0.0, 0.0];
        if (self::PLAIN !== $this->seed) {
            $random = new Generator($this->seed);
            $shifts = array_map(static fn(float $_): float => $random->between(0.0, 1.0), $shifts);
        }
        $samples = [];
        for ($i = 1; $i <= $number; ++$i) {
            $z = [];
            foreach (self::BASES as $n => $base) {
                $z[] = NormalDistribution::quantile(self::shifted(self::halton($i, $base), $shifts[$n]));
            }
            $samples[] = new ErrorSample(...$z);
        }

        return $samples;
    }

    private static function shifted(float $u, float $shift): float
    {
        return 0.0 === $shift ? $u : max(self::MARGIN, min(1.0 - self::MARGIN, fmod($u + $shift, 1.0)));
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
