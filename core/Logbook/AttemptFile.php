<?php

declare(strict_types=1);

namespace ZigLane\Core\Logbook;

use ZigLane\Core\Equipment\BallId;
use ZigLane\Core\Equipment\TableSize;
use ZigLane\Core\Geometry\Point;
use ZigLane\Core\InvalidInput;
use ZigLane\Core\Rack\Files\Fields;
use ZigLane\Core\Rack\Files\JsonText;
use ZigLane\Core\Rack\Files\RackFile;
use ZigLane\Core\Rack\Files\ShotSpecFile;

/**
 * Attempts as text: one JSON object a line, places in diamonds.
 */
final class AttemptFile
{
    /** Digits behind the point of a place: as many as a rack file has. */
    private const DIGITS = 9;

    /** Longest line, bytes. */
    private const LONGEST = 2 * RackFile::LARGEST_TEXT;

    /** Places beyond the rails: a ball can lie in a pocket's mouth. */
    private const BEYOND = 0.2;

    private const TIME = 'Y-m-d\TH:i:s\Z';

    private function __construct() {}

    /** One line, without its end. */
    public static function line(Attempt $attempt): string
    {
        $size = $attempt->rack->table->size;
        $moved = new \stdClass();
        foreach ($attempt->result->moved as $ball => $place) {
            $moved->{BallId::name($ball)} = self::diamonds($place, $size);
        }

        return json_encode([
            'at' => $attempt->at->setTimezone(new \DateTimeZone('UTC'))->format(self::TIME),
            'rack' => RackFile::write($attempt->rack),
            'meant' => ShotSpecFile::write($attempt->meant),
            'result' => [
                'made' => $attempt->result->made,
                'cue' => self::diamonds($attempt->result->cue, $size),
                'moved' => $moved,
                'missed' => $attempt->result->missed?->value,
            ] + $attempt->result->unknown,
        ] + $attempt->unknown, \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_UNICODE | \JSON_UNESCAPED_SLASHES | \JSON_PRESERVE_ZERO_FRACTION);
    }

    /**
     * @return \Generator<int, Attempt> by number of the line, from 1; empty lines are passed over
     *
     * @throws InvalidInput that names the line and the path of the fault
     */
    public static function read(string $text): \Generator
    {
        foreach (explode("\n", $text) as $n => $line) {
            if ('' === trim($line)) {
                continue;
            }
            try {
                yield $n + 1 => self::attempt(JsonText::decode(rtrim($line, "\r"), self::LONGEST));
            } catch (InvalidInput $e) {
                throw new InvalidInput('line ' . ($n + 1), '' === $e->path ? $e->problem : "$e->path: $e->problem");
            }
        }
    }

    /**
     * @param mixed $data a decoded line, objects as \stdClass
     *
     * @throws InvalidInput
     */
    private static function attempt(mixed $data): Attempt
    {
        $file = new Fields($data, '');
        $at = $file->text('at');
        $time = \DateTimeImmutable::createFromFormat('!' . self::TIME, $at, new \DateTimeZone('UTC'));
        // A day that no month has is moved on to the next one: that is not what was written.
        if (false === $time || $time->format(self::TIME) !== $at) {
            throw new InvalidInput('at', 'must be a time such as 2026-11-25T19:30:00Z');
        }
        try {
            $rack = RackFile::read($file->raw('rack') ?? throw new InvalidInput('', 'is missing'))->withLegs([]);
        } catch (InvalidInput $e) {
            throw $e->under('rack');
        }
        $meant = ShotSpecFile::read($file->raw('meant') ?? throw new InvalidInput('meant', 'is missing'), 'meant');
        if (null !== $meant->ball && !$rack->layout->has($meant->ball)) {
            throw new InvalidInput('meant.ball', \sprintf('the %d is not on the table', $meant->ball));
        }
        $result = $file->object('result');
        $size = $rack->table->size;
        $balls = $result->object('moved');
        $moved = [];
        foreach ($balls->keys() as $name) {
            $ball = BallId::fromName($name);
            if (null === $ball || BallId::CUE === $ball || !$rack->layout->has($ball)) {
                throw new InvalidInput($balls->path($name), 'is no object ball on the table');
            }
            $moved[$ball] = self::place($balls->raw($name), $balls->path($name), $size);
        }
        if (!$result->has('made')) {
            throw new InvalidInput('result.made', 'is missing');
        }

        return new Attempt($time, $rack, $meant, new AttemptResult(
            $result->flag('made', false),
            self::place($result->raw('cue'), 'result.cue', $size),
            $moved,
            null === $result->raw('missed') ? null : $result->choice('missed', Miss::class),
            $result->unknown(),
        ), $file->unknown());
    }

    /** @throws InvalidInput */
    private static function place(mixed $value, string $path, TableSize $size): ?Point
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
    private static function diamonds(?Point $place, TableSize $size): ?array
    {
        return null === $place ? null : array_map(static fn(float $v): float => round($v, self::DIGITS), $size->diamondsOf($place));
    }
}
