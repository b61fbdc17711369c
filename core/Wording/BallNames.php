<?php

declare(strict_types=1);

namespace ZigLane\Core\Wording;

/**
 * Balls as a sentence names them.
 */
final class BallNames
{
    private function __construct() {}

    /**
     * "the 3, the 5 and the 7".
     *
     * @param list<int> $balls
     */
    public static function each(array $balls): string
    {
        $names = array_map(static fn(int $ball): string => "the $ball", $balls);
        $last = array_pop($names);

        return [] === $names ? (string) $last : implode(', ', $names) . ' and ' . $last;
    }
}
