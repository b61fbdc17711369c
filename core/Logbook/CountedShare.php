<?php

declare(strict_types=1);

namespace ZigLane\Core\Logbook;

use ZigLane\Core\Numerics\WilsonInterval;

/**
 * So many of so many, and what that tells.
 */
final readonly class CountedShare
{
    /** Below so many the share itself is not worth telling (our own choice): the 95 % interval is wider than ±30 points. */
    private const FEW = 8;

    /** Of all that were counted; 0 for none. */
    public float $share;

    /** Ends of the 95 % interval (Wilson), 0–1. */
    public float $low;
    public float $high;

    /**
     * @param int $of  from 0
     * @param int $all at least as many
     */
    public function __construct(public int $of, public int $all)
    {
        $this->share = 0 === $all ? 0.0 : $of / $all;
        [$this->low, $this->high] = WilsonInterval::of($of, $all);
    }

    /** Whether it is too few to say a percentage. */
    public function isFew(): bool
    {
        return $this->all < self::FEW;
    }

    /** Whether a predicted share (0–1) lies within the interval. */
    public function agreesWith(float $predicted): bool
    {
        return $predicted >= $this->low && $predicted <= $this->high;
    }
}
