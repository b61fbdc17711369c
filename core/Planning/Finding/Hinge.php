<?php

declare(strict_types=1);

namespace ZigLane\Core\Planning\Finding;

use ZigLane\Core\Finding;
use ZigLane\Core\Planning\Plan;

/**
 * One shot on which more of the chance is lost than on any other.
 */
final readonly class Hinge implements Finding
{
    /** A shot that keeps less than this share of the chance is a hinge. */
    private const WORTH_SAYING = 0.97;

    /**
     * @param int $shot number, from 1
     * @param float $keeps share of what is left to win that it keeps, 0–1
     */
    public function __construct(
        public int $shot,
        public int $ball,
        public float $keeps,
    ) {}

    /**
     * The one of a plan; null where none keeps noticeably less than the others.
     *
     * @param int $after so many shots that do not count
     */
    public static function of(Plan $plan, int $after = 0): ?self
    {
        $hinge = null;
        $least = self::WORTH_SAYING;
        foreach ($plan->shots as $n => $shot) {
            if ($n >= $after && \count($plan->shots) > 1 && $plan->kept($n + 1) < $least) {
                $least = $plan->kept($n + 1);
                $hinge = new self($n + 1, $shot->pot->ball, $least);
            }
        }

        return $hinge;
    }
}
