<?php

declare(strict_types=1);

namespace ZigLane\Core\Experiments\Matches;

use ZigLane\Core\Numerics\NormalDistribution;
use ZigLane\Core\Numerics\WilsonInterval;

/**
 * What matches come to: racks won, and how predictions held.
 */
final class MatchTally
{
    private const BINS = 5;

    /** Of fewer pairs nothing is known of how they differ. */
    private const FEW = 10;

    private int $racks = 0;
    private int $shots = 0;

    /** @var array<int, int> by player */
    private array $won = [0, 0];

    /** @var list<float> by rack: 1 where the first player won it, 0.5 where it was given up */
    private array $results = [];

    /** @var list<float> by rack: how lucky the first player's strokes were */
    private array $luck = [];

    /** @var array<string, array{int, float, int}> predictions, their sum, and racks won, by kind and fifth of the prediction */
    private array $bins = [];

    /** @var list<array{int, float}> by rack: predictions, and by how much in all it was won more often than they said, less luck */
    private array $off = [];

    /** Counts one rack more. */
    public function add(MatchRack $rack): void
    {
        ++$this->racks;
        $this->shots += $rack->shots;
        $this->results[] = null === $rack->winner ? 0.5 : 1.0 - $rack->winner;
        $this->luck[] = $rack->luck;
        if (null === $rack->winner) {
            return;
        }
        ++$this->won[$rack->winner];
        $off = [0, 0.0];
        foreach ($rack->predictions as $one) {
            $won = $one->turn === $rack->winner ? 1 : 0;
            $bin = $one->kind->value . ' ' . (int) min(self::BINS - 1, $one->win * self::BINS);
            $this->bins[$bin] ??= [0, 0.0, 0];
            ++$this->bins[$bin][0];
            $this->bins[$bin][1] += $one->win;
            $this->bins[$bin][2] += $won;
            $off = [$off[0] + 1, $off[1] + ($one->wonLessLuck($rack) ?? $won) - $one->win];
        }
        $this->off[] = $off;
    }

    /**
     * The 95 % interval of the share won by the first player. Racks are played in pairs, of which one is mostly won where the other is
     * lost: the pairs are what is independent.
     *
     * @return array{float, float}
     */
    private function interval(): array
    {
        $pairs = self::pairs($this->results);

        return self::around($pairs) ?? WilsonInterval::of($this->won[0], array_sum($this->won));
    }

    /**
     * The share won by the first player less what their luck explains of it (a control variate whose mean is nothing, its coefficient
     * by least squares: R. Y. Rubinstein, "Simulation and the Monte Carlo Method", 1981).
     *
     * @return array{float, array{float, float}} and its 95 % interval
     */
    private function withoutLuck(): array
    {
        $pairs = self::pairs($this->results);
        $luck = self::pairs($this->luck);
        [$mean, $lucky] = [self::mean($pairs), self::mean($luck)];
        $with = $square = 0.0;
        foreach ($luck as $n => $one) {
            $with += ($one - $lucky) * ($pairs[$n] - $mean);
            $square += ($one - $lucky) ** 2;
        }
        $slope = $square > 0.0 ? $with / $square : 0.0;
        $left = array_map(static fn(float $share, float $one): float => $share - $slope * $one, $pairs, $luck);

        return [self::mean($left), self::around($left) ?? [0.0, 1.0]];
    }

    /**
     * All predictions together: their mean, how often the rack was won after them, and that less luck with its 95 % interval (of a ratio
     * of sums by racks: W. G. Cochran, "Sampling Techniques", 1977).
     *
     * @return array{predicted: float, won: float, wonLessLuck: float, low: float, high: float}
     */
    private function told(): array
    {
        $shots = max(1, array_sum(array_column($this->off, 0)));
        $mean = array_sum(array_column($this->off, 1)) / $shots;
        $square = array_sum(array_map(static fn(array $one): float => ($one[1] - $mean * $one[0]) ** 2, $this->off));
        $half = NormalDistribution::TWO_SIDED_95 * sqrt($square) / $shots;
        $predicted = array_sum(array_column($this->bins, 1)) / $shots;

        return [
            'predicted' => $predicted,
            'won' => array_sum(array_column($this->bins, 2)) / $shots,
            'wonLessLuck' => $predicted + $mean,
            'low' => $predicted + $mean - $half,
            'high' => $predicted + $mean + $half,
        ];
    }

    /**
     * @param list<float> $values by rack
     *
     * @return list<float> means of the pairs
     */
    private static function pairs(array $values): array
    {
        return array_map(self::mean(...), array_chunk($values, 2));
    }

    /** @param list<float> $values */
    private static function mean(array $values): float
    {
        return array_sum($values) / max(1, \count($values));
    }

    /**
     * @param list<float> $shares
     *
     * @return array{float, float}|null the 95 % interval of their mean, 0–1; null where they are too few or all alike
     */
    private static function around(array $shares): ?array
    {
        $n = \count($shares);
        $mean = self::mean($shares);
        $square = array_sum(array_map(static fn(float $share): float => ($share - $mean) ** 2, $shares));
        if ($n < self::FEW || $square <= 0.0) {
            return null;
        }
        $half = NormalDistribution::TWO_SIDED_95 * sqrt($square / ($n - 1) / $n);

        return [max(0.0, $mean - $half), min(1.0, $mean + $half)];
    }

    /**
     * @return array<string, mixed> ready for json_encode
     */
    public function describe(): array
    {
        ksort($this->bins);
        $round = static fn(float $value): float => round($value, 4);
        $decided = array_sum($this->won);
        [$mean, $around] = $this->withoutLuck();

        return [
            'racks' => $this->racks,
            'won' => $this->won,
            'givenUp' => $this->racks - $decided,
            'share' => $round($this->won[0] / max(1, $decided)),
            'interval' => array_map($round, $this->interval()),
            'withoutLuck' => ['share' => $round($mean), 'interval' => array_map($round, $around)],
            'predictions' => array_map(static fn(array $bin, string $key): array => [
                'of' => explode(' ', $key)[0],
                'shots' => $bin[0],
                'predicted' => $round($bin[1] / $bin[0]),
                'won' => $round($bin[2] / $bin[0]),
            ], $this->bins, array_keys($this->bins)),
            'told' => array_map($round, $this->told()),
            'shotsARack' => round($this->shots / max(1, $this->racks), 1),
        ];
    }
}
