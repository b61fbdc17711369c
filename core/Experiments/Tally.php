<?php

declare(strict_types=1);

namespace ZigLane\Core\Experiments;

use ZigLane\Core\Numerics\WilsonInterval;

/**
 * What a season comes to.
 */
final class Tally
{
    private const BINS = 5;

    public int $racks = 0;
    public int $runOuts = 0;
    private int $points = 0;
    private float $predicted = 0.0;
    private float $variance = 0.0;

    /** @var array<int, array{int, float, int}> racks, sum predicted, run out, by fifth of the prediction */
    private array $bins = [];

    /** Counts one rack more. */
    public function add(Played $rack): void
    {
        ++$this->racks;
        $this->runOuts += $rack->ranOut ? 1 : 0;
        $this->points += $rack->points;
        $this->predicted += $rack->predicted;
        $this->variance += $rack->predicted * (1 - $rack->predicted);
        $bin = (int) min(self::BINS - 1, $rack->predicted * self::BINS);
        $this->bins[$bin] ??= [0, 0.0, 0];
        ++$this->bins[$bin][0];
        $this->bins[$bin][1] += $rack->predicted;
        $this->bins[$bin][2] += $rack->ranOut ? 1 : 0;
    }

    /** Share of racks run out, 0–1; 0 of none. */
    public function rate(): float
    {
        return $this->runOuts / max(1, $this->racks);
    }

    /** Mean of the chances predicted before the first shots, 0–1. */
    public function predicted(): float
    {
        return $this->predicted / max(1, $this->racks);
    }

    /** How far played and predicted may lie apart by chance: one standard deviation, were every prediction right. */
    public function chance(): float
    {
        return sqrt($this->variance) / max(1, $this->racks);
    }

    /**
     * How predictions held, by fifths.
     *
     * @return list<array{racks: int, predicted: float, rate: float, interval: array{float, float}}>
     */
    public function reliability(): array
    {
        ksort($this->bins);

        return array_values(array_map(static fn(array $b): array => [
            'racks' => $b[0],
            'predicted' => round($b[1] / $b[0], 4),
            'rate' => round($b[2] / $b[0], 4),
            'interval' => array_map(static fn(float $v): float => round($v, 4), WilsonInterval::of($b[2], $b[0])),
        ], $this->bins));
    }

    /**
     * @return array<string, mixed> ready for json_encode
     */
    public function describe(): array
    {
        return [
            'racks' => $this->racks,
            'runOuts' => $this->runOuts,
            'rate' => round($this->rate(), 4),
            'interval' => array_map(static fn(float $v): float => round($v, 4), WilsonInterval::of($this->runOuts, $this->racks)),
            'predicted' => round($this->predicted(), 4),
            'pointsARack' => round($this->points / max(1, $this->racks), 2),
            'byChance' => round($this->chance(), 4),
            'reliability' => $this->reliability(),
        ];
    }
}
