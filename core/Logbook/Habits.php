<?php

declare(strict_types=1);

namespace ZigLane\Core\Logbook;

use ZigLane\Core\Numerics\NormalDistribution;
use ZigLane\Core\Numerics\WilsonInterval;

/**
 * What a player does again and again, told apart from chance: stops long or short by how many cushions the cue ball was to meet, and misses
 * thick or thin by the side that the ball is cut to.
 *
 * Stops: m beyond the stop that was meant, with the 95 % interval. Misses: how many of them were so.
 *
 * @phpstan-type Stops array{rails: int, mean: float, low: float, high: float, shots: int}
 * @phpstan-type Misses array{left: bool, thick: bool, of: int, misses: int}
 */
final readonly class Habits
{
    /** Fewer shots than this, and fewer misses, show no habit. */
    private const FEW = 10;
    private const FEW_MISSES = 8;

    /** Sine of a turn that is no cut. */
    private const STRAIGHT = 0.05;

    /** Cushions from here on are one kind. */
    private const MANY_RAILS = 3;

    /**
     * @param list<Stops>  $stops  only where 0 is not in the interval
     * @param list<Misses> $misses only where chance would hardly do it
     */
    private function __construct(public array $stops, public array $misses) {}

    /** @param list<Attempt> $attempts */
    public static function of(array $attempts): self
    {
        $long = $missed = [];
        foreach ($attempts as $attempt) {
            $facts = AttemptFacts::of($attempt);
            if (null !== $facts->long && null !== $facts->rails) {
                $long[min(self::MANY_RAILS, $facts->rails)][] = $facts->long;
            }
            $miss = $attempt->result->missed;
            $left = self::isCutToTheLeft($attempt);
            if (null !== $left && \in_array($miss, [Miss::Thick, Miss::Thin], true)) {
                $missed[(int) $left][] = Miss::Thick === $miss;
            }
        }
        ksort($long);

        return new self(self::stops($long), self::misses($missed));
    }

    /**
     * @param array<int, list<float>> $long m, by cushions
     *
     * @return list<Stops>
     */
    private static function stops(array $long): array
    {
        $found = [];
        foreach ($long as $rails => $values) {
            $many = \count($values);
            if ($many < self::FEW) {
                continue;
            }
            $mean = array_sum($values) / $many;
            $square = array_sum(array_map(static fn(float $v): float => ($v - $mean) ** 2, $values)) / ($many - 1);
            $half = NormalDistribution::TWO_SIDED_95 * sqrt($square / $many);
            if (abs($mean) > $half) {
                $found[] = ['rails' => $rails, 'mean' => $mean, 'low' => $mean - $half, 'high' => $mean + $half, 'shots' => $many];
            }
        }

        return $found;
    }

    /**
     * @param array<int, list<bool>> $missed whether thick, by whether the ball is cut to the left
     *
     * @return list<Misses>
     */
    private static function misses(array $missed): array
    {
        $found = [];
        foreach ($missed as $left => $thick) {
            $all = \count($thick);
            $of = \count(array_filter($thick));
            [$low, $high] = WilsonInterval::of($of, $all);
            if ($all >= self::FEW_MISSES && ($low > 0.5 || $high < 0.5)) {
                $found[] = ['left' => 1 === $left, 'thick' => $low > 0.5, 'of' => $low > 0.5 ? $of : $all - $of, 'misses' => $all];
            }
        }

        return $found;
    }

    /** Whether the ball goes to the left of the line from the cue ball; null where nothing was cut. */
    private static function isCutToTheLeft(Attempt $attempt): ?bool
    {
        $turn = sin(AttemptFacts::line($attempt)[0] ?? 0.0);

        return abs($turn) < self::STRAIGHT ? null : $turn < 0.0;
    }
}
