<?php

declare(strict_types=1);

namespace ZigLane\Core\Logbook;

use ZigLane\Core\Equipment\TableSize;
use ZigLane\Core\Geometry\Point;
use ZigLane\Core\InvalidInput;
use ZigLane\Core\Rack\Files\Fields;

/**
 * Times, keys and places as the logbook's files have them.
 *
 * @internal
 */
final class LogbookFields
{
    /** Digits behind the point of a place: as many as a rack file has. */
    private const DIGITS = 9;

    /** Places beyond the rails: a ball can lie in a pocket's mouth. */
    private const BEYOND = 0.2;

    private const TIME = 'Y-m-d\TH:i:s\Z';

    private function __construct() {}

    /** A time as files have it: UTC, to the second. */
    public static function time(\DateTimeImmutable $at): string
    {
        return $at->setTimezone(new \DateTimeZone('UTC'))->format(self::TIME);
    }

    /**
     * @throws InvalidInput
     */
    public static function readTime(Fields $file, string $key): \DateTimeImmutable
    {
        $at = $file->text($key);
        // What holds a null byte is no time, and PHP would not even look at it.
        $time = \DateTimeImmutable::createFromFormat('!' . self::TIME, str_replace("\0", ' ', $at), new \DateTimeZone('UTC'));
        // A day that no month has is moved on to the next one: that is not what was written.
        if (false === $time || $time->format(self::TIME) !== $at) {
            throw new InvalidInput($file->path($key), 'must be a time such as 2026-11-25T19:30:00Z');
        }

        return $time;
    }

    /**
     * What tells an attempt or a session from every other.
     *
     * @throws InvalidInput
     */
    public static function key(Fields $file, string $name = 'key'): string
    {
        $key = $file->text($name);
        if (1 !== preg_match('/^[A-Za-z0-9-]{8,64}$/D', $key)) {
            throw new InvalidInput($file->path($name), 'must have 8 to 64 letters, digits and hyphens');
        }

        return $key;
    }

    /**
     * @throws InvalidInput
     */
    public static function place(mixed $value, string $path, TableSize $size): ?Point
    {
        if (null === $value) {
            return null;
        }
        if (!\is_array($value) || [0, 1] !== array_keys($value)) {
            throw new InvalidInput($path, 'must be a pair of diamonds [along, across], or null');
        }

        return $size->pointAt(
            Fields::finite($value[0], $path . '[0]', -self::BEYOND, 8 + self::BEYOND, 'diamonds'),
            Fields::finite($value[1], $path . '[1]', -self::BEYOND, 4 + self::BEYOND, 'diamonds'),
        );
    }

    /**
     * @return array{float, float}|null
     */
    public static function diamonds(?Point $place, TableSize $size, int $digits = self::DIGITS): ?array
    {
        return null === $place ? null : array_map(static fn(float $v): float => round($v, $digits), $size->diamondsOf($place));
    }
}
