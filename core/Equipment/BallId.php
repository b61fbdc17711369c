<?php

declare(strict_types=1);

namespace ZigLane\Core\Equipment;

/**
 * Balls are numbered: 0 is the cue ball, 1–15 the object balls. Outside the core they go by name ("cue", "1" … "15").
 */
final class BallId
{
    public const CUE = 0;
    public const LAST = 15;

    private function __construct() {}

    /** "cue", or the number as text: how files name a ball. */
    public static function name(int $ball): string
    {
        return self::CUE === $ball ? 'cue' : (string) $ball;
    }

    /** The ball of that name, or null when no ball is called so. */
    public static function fromName(string $name): ?int
    {
        if ('cue' === $name) {
            return self::CUE;
        }
        if (1 === preg_match('/^[1-9]\d?$/', $name) && (int) $name <= self::LAST) {
            return (int) $name;
        }

        return null;
    }

    /** How a person says it in a sentence. */
    public static function spoken(int $ball): string
    {
        return self::CUE === $ball ? 'cue ball' : (string) $ball;
    }
}
