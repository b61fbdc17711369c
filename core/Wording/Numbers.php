<?php

declare(strict_types=1);

namespace ZigLane\Core\Wording;

/**
 * Small numbers as words.
 */
final class Numbers
{
    private const WORDS = [2 => 'two', 3 => 'three', 4 => 'four', 5 => 'five'];

    private function __construct() {}

    /** "three"; digits beyond five. */
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
