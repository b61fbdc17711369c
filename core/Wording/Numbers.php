<?php

declare(strict_types=1);

namespace ZigLane\Core\Wording;

/**
 * Small numbers as words.
 */
final class Numbers
{
    private const WORDS = [2 => 'two', 3 => 'three', 4 => 'four', 5 => 'five', 6 => 'six', 7 => 'seven', 8 => 'eight', 9 => 'nine'];

    private const PARTS = [
        'a tenth' => 0.1,
        'a quarter' => 0.25,
        'a third' => 1 / 3,
        'half' => 0.5,
        'two thirds' => 2 / 3,
        'three quarters' => 0.75,
    ];

    private function __construct() {}

    /** "three"; digits beyond nine. */
    public static function word(int $number): string
    {
        return self::WORDS[$number] ?? (string) $number;
    }

    /** "12 points" of a chance of 0.12, "1 point". */
    public static function points(float $chance): string
    {
        $points = (int) round(100 * $chance);

        return \sprintf('%d %s', $points, 1 === abs($points) ? 'point' : 'points');
    }

    /** How often as a part, from a tenth to three quarters: "a third as often". */
    public static function asOften(float $share): string
    {
        $far = array_map(static fn(float $part): float => abs($part - $share), self::PARTS);

        return array_search(min($far), $far, true) . ' as often';
    }

    /** "64 cm", from a metre on "1.4 m". */
    public static function way(float $metres): string
    {
        return $metres < 0.995 ? \sprintf('%.0f cm', 100 * $metres) : \sprintf('%.1f m', $metres);
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
