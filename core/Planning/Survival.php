<?php

declare(strict_types=1);

namespace ZigLane\Core\Planning;

use ZigLane\Core\Numerics\NormalDistribution;

/**
 * How many runs of a plan are still on after each shot, and what ends the others.
 */
final readonly class Survival
{
    /**
     * @param list<float>  $alive  share of runs that are on after each shot, 0–1, never rising; the last is the chance to run out
     * @param list<Losses> $losses what ended runs at each shot
     * @param int          $runs   that the shares rest on
     */
    public function __construct(public array $alive, public array $losses, public int $runs) {}

    /** The same after so many shots that are certain. */
    public function after(int $shots): self
    {
        return new self(
            [...array_fill(0, $shots, 1.0), ...$this->alive],
            [...array_fill(0, $shots, new Losses(0.0, 0.0, 0.0, 0.0)), ...$this->losses],
            $this->runs,
        );
    }

    /**
     * 95 % interval of a share by the number of runs.
     *
     * @param int $shot from 1
     *
     * @return array{float, float}
     */
    public function interval(int $shot): array
    {
        $p = $this->alive[$shot - 1];
        $half = NormalDistribution::TWO_SIDED_95 * sqrt($p * (1 - $p) / max(1, $this->runs));

        return [max(0.0, $p - $half), min(1.0, $p + $half)];
    }
}
