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

    /** @var array<string, array{int, float, int}> predictions, their sum, and racks won, by kind and fifth of the prediction */
    private array $bins = [];

    /** Counts one rack more. */
    public function add(MatchRack $rack): void
    {
        ++$this->racks;
        $this->shots += $rack->shots;
        $this->results[] = null === $rack->winner ? 0.5 : 1.0 - $rack->winner;
        if (null === $rack->winner) {
            return;
        }
        ++$this->won[$rack->winner];
        foreach ($rack->predictions as [$turn, $win, $kind]) {
            $bin = $kind->value . ' ' . (int) min(self::BINS - 1, $win * self::BINS);
            $this->bins[$bin] ??= [0, 0.0, 0];
            ++$this->bins[$bin][0];
            $this->bins[$bin][1] += $win;
            $this->bins[$bin][2] += $turn === $rack->winner ? 1 : 0;
        }
    }

    /**
     * The 95 % interval of the share won by the first player. Racks are played in pairs, of which one is mostly won where the other is
     * lost: the pairs are what is independent.
     *
     * @return array{float, float}
     */
    private function interval(): array
    {
        $pairs = array_map(static fn(array $pair): float => array_sum($pair) / \count($pair), array_chunk($this->results, 2));
        $n = \count($pairs);
        $mean = array_sum($pairs) / max(1, $n);
        $square = array_sum(array_map(static fn(float $share): float => ($share - $mean) ** 2, $pairs));
        if ($n < self::FEW || $square <= 0.0) {
            return WilsonInterval::of($this->won[0], array_sum($this->won));
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

        return [
            'racks' => $this->racks,
            'won' => $this->won,
            'givenUp' => $this->racks - $decided,
            'share' => $round($this->won[0] / max(1, $decided)),
            'interval' => array_map($round, $this->interval()),
            'predictions' => array_map(static fn(array $bin, string $key): array => [
                'of' => explode(' ', $key)[0],
                'shots' => $bin[0],
                'predicted' => $round($bin[1] / $bin[0]),
                'won' => $round($bin[2] / $bin[0]),
            ], $this->bins, array_keys($this->bins)),
            'shotsARack' => round($this->shots / max(1, $this->racks), 1),
        ];
    }
}
