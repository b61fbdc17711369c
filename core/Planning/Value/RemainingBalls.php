<?php

declare(strict_types=1);

namespace ZigLane\Core\Planning\Value;

use ZigLane\Core\Physics\Layout;

/**
 * The object balls that remain on the table, and whether the clusters have been broken.
 *
 * Kept as the bits of a number, one for each ball number, which the tables of planning use as a key. Bit 0, the cue ball's, says that
 * the clusters have been broken.
 */
final readonly class RemainingBalls
{
    private const CLUSTERS_BROKEN = 1;

    private function __construct(public int $bits) {}

    /** The object balls on the table, clusters unbroken. */
    public static function of(Layout $layout): self
    {
        return self::these($layout->objectBalls());
    }

    /**
     * @param iterable<int> $balls
     */
    public static function these(iterable $balls): self
    {
        $bits = 0;
        foreach ($balls as $ball) {
            $bits |= 1 << $ball;
        }

        return new self($bits);
    }

    /** Whether a ball is left. */
    public function has(int $ball): bool
    {
        return 0 !== ($this->bits >> $ball & 1);
    }

    /** What is left when a ball has gone. */
    public function without(int $ball): self
    {
        return new self($this->bits & ~(1 << $ball));
    }

    /** How many balls are left. */
    public function count(): int
    {
        return substr_count(decbin($this->balls()), '1');
    }

    /** The balls alone, one bit each. */
    public function balls(): int
    {
        return $this->bits & ~self::CLUSTERS_BROKEN;
    }

    /** Whether the clusters have been broken. */
    public function areClustersBroken(): bool
    {
        return 0 !== ($this->bits & self::CLUSTERS_BROKEN);
    }

    /** The same balls with the clusters broken. */
    public function withClustersBroken(): self
    {
        return new self($this->bits | self::CLUSTERS_BROKEN);
    }

    /**
     * @return list<int> ball numbers, ascending
     */
    public function members(): array
    {
        return self::ballsIn($this->bits);
    }

    /**
     * @param int $bits one for each ball
     *
     * @return list<int> ball numbers, ascending
     */
    public static function ballsIn(int $bits): array
    {
        return array_values(array_filter(range(1, 15), static fn(int $ball): bool => 0 !== ($bits >> $ball & 1)));
    }
}
