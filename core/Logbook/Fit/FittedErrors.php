<?php

declare(strict_types=1);

namespace ZigLane\Core\Logbook\Fit;

/**
 * A player's errors as attempts tell them, each with an interval that holds it in nine of ten cases.
 */
final readonly class FittedErrors
{
    /** Standard deviations of an interval that holds nine of ten. */
    public const NINE_OF_TEN = 1.645;

    /** Refits that the curvature counts for as to how far apart fits come out (our own choice). */
    private const CURVATURE = 4.0;

    /** Logarithms by which fits miss on average, how unsure these are, and how much wider than by the curvature fits spread (measured). */
    private const AIM = -0.052;
    private const SPEED = -0.034;
    private const TIP = -0.247;
    private const UNSURE = 0.03;

    /** Mean error of speed that is found where there is none, as a share of the error of speed; how much wider it spreads (measured). */
    private const SPEED_BIAS = -0.09;
    private const WIDER_BIAS = 1.2;

    private const WIDER = 1.1;
    private const WIDER_TIP = 1.3;

    /**
     * @param int                                $attempts that tell something
     * @param array{float, float, float}        $aim   standard deviation, low, high, rad
     * @param array{float, float, float}        $speed the same, a share
     * @param array{float, float, float}        $tip   the same, m
     * @param array{float, float, float}        $aimBias   mean error of aim, to the right positive, low, high, rad
     * @param array{float, float, float}        $speedBias mean error of speed, low, high, a share
     */
    public function __construct(
        public int $attempts,
        public array $aim,
        public array $speed,
        public array $tip,
        public array $aimBias,
        public array $speedBias,
    ) {}

    /**
     * By how much this misses a player with these errors and no biases.
     *
     * @return array{float, float, float, float, float} logarithms of the factors; biases, rad and a share
     */
    public function missing(self $true): array
    {
        return [
            log($this->aim[0] / $true->aim[0]),
            log($this->speed[0] / $true->speed[0]),
            log($this->tip[0] / $true->tip[0]),
            $this->aimBias[0],
            $this->speedBias[0],
        ];
    }

    /**
     * The same without what the method adds on average, which was measured once for several players (docs/logbook.md): quicker than
     * without(), and steadier, since what single refits miss by is itself mostly chance.
     */
    public function usual(): self
    {
        $bias = $this->speedBias[0] - self::SPEED_BIAS * $this->speed[0];
        $half = self::WIDER_BIAS * ($this->speedBias[2] - $this->speedBias[0]);

        return new self(
            $this->attempts,
            self::scaled($this->aim, self::AIM, self::WIDER),
            self::scaled($this->speed, self::SPEED, self::WIDER),
            self::scaled($this->tip, self::TIP, self::WIDER_TIP),
            $this->aimBias,
            [$bias, $bias - $half, $bias + $half],
        );
    }

    /**
     * @param array{float, float, float} $found
     * @param float                      $missed logarithm
     * @param float                      $wider  times as wide as by the curvature
     *
     * @return array{float, float, float}
     */
    private static function scaled(array $found, float $missed, float $wider): array
    {
        $half = hypot($wider * log($found[2] / $found[0]), self::NINE_OF_TEN * self::UNSURE);

        return [$found[0] * exp(-$missed), $found[0] * exp(-$missed - $half), $found[0] * exp(-$missed + $half)];
    }

    /**
     * The same without what the method adds, the intervals wider by how little of that is known.
     *
     * @param list<array{float, float, float, float, float}> $missed one a refit
     */
    public function without(array $missed): self
    {
        return new self(
            $this->attempts,
            self::factor($this->aim, array_column($missed, 0)),
            self::factor($this->speed, array_column($missed, 1)),
            self::factor($this->tip, array_column($missed, 2)),
            self::bias($this->aimBias, array_column($missed, 3)),
            self::bias($this->speedBias, array_column($missed, 4)),
        );
    }

    /**
     * @param array{float, float, float} $found
     * @param list<float>                $missed logarithms
     *
     * @return array{float, float, float}
     */
    private static function factor(array $found, array $missed): array
    {
        [$mean, $half] = self::spread(log($found[2] / $found[0]), $missed);

        return [$found[0] * exp(-$mean), $found[0] * exp(-$mean - $half), $found[0] * exp(-$mean + $half)];
    }

    /**
     * @param array{float, float, float} $found
     * @param list<float>                $missed
     *
     * @return array{float, float, float}
     */
    private static function bias(array $found, array $missed): array
    {
        [$mean, $half] = self::spread($found[2] - $found[0], $missed);

        return [$found[0] - $mean, $found[0] - $mean - $half, $found[0] - $mean + $half];
    }

    /**
     * What the method adds, and half of the interval without it. Few refits tell their own spread badly, and the curvature knows nothing
     * of stops that the modes explain wrongly: both together, the curvature as much as CURVATURE refits. What was taken out is as unsure
     * as the mean of the refits.
     *
     * @param float       $half   of the interval by the curvature
     * @param list<float> $missed by each refit
     *
     * @return array{float, float}
     */
    private static function spread(float $half, array $missed): array
    {
        $n = \count($missed);
        if (0 === $n) {
            return [0.0, $half];
        }
        $mean = array_sum($missed) / $n;
        $square = array_sum(array_map(static fn(float $value): float => ($value - $mean) ** 2, $missed));
        $variance = (self::CURVATURE * ($half / self::NINE_OF_TEN) ** 2 + $square) / (self::CURVATURE + $n - 1);

        return [$mean, self::NINE_OF_TEN * sqrt($variance * (1 + 1 / $n))];
    }
}
