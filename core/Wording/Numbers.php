<?php

declare(strict_types=1);

namespace ZigLane\Core\Wording;

/**
 * Small numbers as words.
 */
final class Numbers
{
    private const WORDS = [2 => 'two', 3 => 'three', 4 => 'four', 5 => 'five', 6 => 'six', 7 => 'seven', 8 => 'eight', 9 => 'nine'];

    private function __construct() {}

    /** "three"; digits beyond nine. */
    public static function word(int $number): string
    {
        return self::WORDS[$number] ?? (string) $number;
    }

    /**
     * "4, 7 and 9".
     *
     * @param list<int|string> $numbers
     */
    public static function list(array $numbers): string
    {
        $last = array_pop($numbers);

        return [] === $numbers ? (string) $last : implode(', ', $numbers) . " and $last";
    }
}
