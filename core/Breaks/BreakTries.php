<?php

declare(strict_types=1);

namespace ZigLane\Core\Breaks;

use ZigLane\Core\Numerics\WilsonInterval;
use ZigLane\Core\Rack\BreakStroke;

/**
 * What tries of one break came to. Mutable on purpose.
 */
final class BreakTries
{
    public int $tries = 0;

    /** A ball dropped on a legal break, and the turn goes on. */
    public int $kept = 0;
    public int $scratched = 0;

    /** Racks won by the break: the nine in nine-ball. */
    public int $won = 0;

    /** A wing ball dropped: an end of the widest row of nine-ball and ten-ball, a far corner ball of eight-ball. */
    public int $wing = 0;
    private int $dropped = 0;
    private float $shots = 0.0;
    private float $squares = 0.0;

    public function __construct(public readonly BreakStroke $stroke) {}

    /**
     * Counts one try more.
     *
     * @param int   $dropped balls, the cue ball left out
     * @param float $shot    chance of the best pot where the turn goes on, 1 where the rack is won, 0 where it passes
     */
    public function add(BreakEnd $end, int $dropped, bool $wing, float $shot): void
    {
        ++$this->tries;
        $this->kept += BreakEnd::Kept === $end || BreakEnd::Won === $end ? 1 : 0;
        $this->scratched += BreakEnd::Scratched === $end ? 1 : 0;
        $this->won += BreakEnd::Won === $end ? 1 : 0;
        $this->wing += $wing ? 1 : 0;
        $this->dropped += $dropped;
        $this->shots += $shot;
        $this->squares += $shot * $shot;
    }

    /** Chance that the turn goes on and the next pot is made: what breaks are ranked by. */
    public function goesOn(): float
    {
        return $this->shots / max(1, $this->tries);
    }

    /**
     * 95 % interval of that, by the normal distribution.
     *
     * @return array{float, float}
     */
    public function goesOnBetween(): array
    {
        $mean = $this->goesOn();
        $half = 1.96 * sqrt(max(0.0, $this->squares / max(1, $this->tries) - $mean * $mean) / max(1, $this->tries));

        return [max(0.0, $mean - $half), min(1.0, $mean + $half)];
    }

    /** Mean chance of the next pot where the turn goes on; 0 where it never did. */
    public function nextPot(): float
    {
        return $this->kept > 0 ? $this->shots / $this->kept : 0.0;
    }

    /** Balls that drop, the mean. */
    public function balls(): float
    {
        return $this->dropped / max(1, $this->tries);
    }

    /**
     * 95 % interval of a count's share.
     *
     * @return array{float, float}
     */
    public function between(int $count): array
    {
        return WilsonInterval::of($count, $this->tries);
    }
}
