<?php

declare(strict_types=1);

namespace ZigLane\Core\Reading;

use ZigLane\Core\Numerics\HoldingIntervals;

/**
 * How much softer and harder a stroke may be before the cue ball no longer stops in the zone.
 */
final readonly class SpeedWindow
{
    private const SOFTEST = 0.4;
    private const HARDEST = 1.8;
    private const STEP = 0.02;
    private const BISECTIONS = 4;

    /** How far beyond an edge (share of the speed) its danger is judged, and how far a full difference moves the advice. */
    private const BEYOND = 0.05;
    private const LEAN = 0.3;

    /**
     * @param float $low         softest, as a share of the stroke's speed
     * @param float $high        hardest
     * @param float $recommended between them, away from the worse edge
     * @param float $dangerLow   0–1, what is lost just below the softest
     * @param float $dangerHigh  0–1, what is lost just above the hardest
     */
    public function __construct(
        public float $low,
        public float $high,
        public float $recommended,
        public float $dangerLow,
        public float $dangerHigh,
    ) {}

    /**
     * @param callable(float): ?float $outcome by speed as a share of the stroke's: the chance of the next ball from where the
     *                                       cue ball stops; null when the pot fails or the cue ball is lost
     * @param float                   $level  chance that counts as in the zone
     *
     * @return self|null null when no speed near the stroke's leaves it in the zone; the window nearest to the stroke's own
     */
    public static function of(callable $outcome, float $level): ?self
    {
        $good = static fn(float $at): bool => ($outcome($at) ?? -1.0) >= $level;
        $start = null;
        for ($off = 0.0; $off <= self::HARDEST - 1.0; $off += self::STEP) {
            foreach ([1.0 + $off, 1.0 - $off] as $at) {
                if ($at >= self::SOFTEST && $good($at)) {
                    $start = $at;
                    break 2;
                }
            }
        }
        if (null === $start) {
            return null;
        }
        $low = self::edge($good, $start, -self::STEP, self::SOFTEST);
        $high = self::edge($good, $start, self::STEP, self::HARDEST);
        // Lost: everything when the pot fails, else what the next ball lacks.
        $danger = static fn(float $at): float => 1.0 - max(0.0, $outcome($at) ?? 0.0);
        $dangerLow = $low <= self::SOFTEST ? 0.0 : $danger($low - self::BEYOND);
        $dangerHigh = $high >= self::HARDEST ? 0.0 : $danger($high + self::BEYOND);
        $middle = 0.5 + self::LEAN * ($dangerLow - $dangerHigh);

        return new self($low, $high, $low + ($high - $low) * max(0.2, min(0.8, $middle)), $dangerLow, $dangerHigh);
    }

    /**
     * @param callable(float): bool $good
     */
    private static function edge(callable $good, float $from, float $step, float $end): float
    {
        $inside = $from;
        while (($step > 0 ? $inside < $end : $inside > $end) && $good($inside + $step)) {
            $inside += $step;
        }
        if ($step > 0 ? $inside >= $end : $inside <= $end) {
            return $end;
        }

        return HoldingIntervals::edge($good, $inside, $inside + $step, self::BISECTIONS)[0];
    }
}
