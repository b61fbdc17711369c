<?php

declare(strict_types=1);

namespace ZigLane\Core\Numerics;

use Random\Engine\Xoshiro256StarStar;
use Random\Randomizer;

/**
 * Random numbers that can be had again: the same seed gives the same numbers on every machine.
 */
final class Generator
{
    private Randomizer $source;

    public function __construct(int $seed)
    {
        $this->source = new Randomizer(new Xoshiro256StarStar($seed));
    }

    /** Evenly from low to high. */
    public function between(float $low, float $high): float
    {
        return $low + ($high - $low) * $this->source->getInt(0, (1 << 53) - 1) / (1 << 53);
    }

    /** Evenly from low to high, both included. */
    public function integer(int $low, int $high): int
    {
        return $this->source->getInt($low, $high);
    }

    /**
     * In another order.
     *
     * @param list<int> $values
     *
     * @return list<int>
     */
    public function shuffled(array $values): array
    {
        return $this->source->shuffleArray($values);
    }

    /**
     * Normal with mean 0 and standard deviation 1 (G. E. P. Box and M. E. Muller, "A note on the generation of random normal
     * deviates", Ann. Math. Stat. 29, 1958).
     */
    public function normal(): float
    {
        return sqrt(-2.0 * log(1.0 - $this->between(0.0, 1.0))) * cos(2.0 * M_PI * $this->between(0.0, 1.0));
    }
}
