<?php

declare(strict_types=1);

namespace ZigLane\Core\Planning\Value;

use ZigLane\Core\Physics\Layout;

/**
 * Sets of remaining balls as the bits of a number, one for each ball number: they are keys of the tables that planning rests on.
 *
 * Bit 0, the cue ball's, says that the clusters have been broken.
 */
final class RemainingBalls
{
    public const CLUSTERS_BROKEN = 1;

    private function __construct() {}

    /** The object balls on the table, clusters unbroken. */
    public static function of(Layout $layout): int
    {
        $remaining = 0;
        foreach ($layout->objectBalls() as $ball) {
            $remaining |= 1 << $ball;
        }

        return $remaining;
    }

    /** Whether a ball is in the set. */
    public static function has(int $remaining, int $ball): bool
    {
        return 0 !== ($remaining >> $ball & 1);
    }

    /** The set without a ball. */
    public static function without(int $remaining, int $ball): int
    {
        return $remaining & ~(1 << $ball);
    }

    /** How many balls are in the set. */
    public static function count(int $remaining): int
    {
        return substr_count(decbin($remaining & ~self::CLUSTERS_BROKEN), '1');
    }

    /**
     * @return list<int> ball numbers, ascending
     */
    public static function members(int $remaining): array
    {
        return array_values(array_filter(range(1, 15), static fn(int $ball): bool => self::has($remaining, $ball)));
    }
}
