<?php

declare(strict_types=1);

namespace ZigLane\Core\Logbook;

use ZigLane\Core\InvalidInput;
use ZigLane\Core\Rack\Files\JsonText;

/**
 * Attempts as a table for spreadsheets: what is often looked at in columns of its own, the rest as JSON. Read again, the columns count.
 */
final class AttemptCsv
{
    private const COLUMNS = [
        'key', 'at', 'made', 'missed', 'cueAlong', 'cueAcross', 'said', 'run', 'session', 'rack', 'meant', 'plan', 'moved', 'more',
    ];

    /** Columns that hold an object as JSON. */
    private const OBJECTS = ['session', 'rack', 'meant', 'plan', 'moved', 'more'];

    private function __construct() {}

    /** The first line. */
    public static function head(): string
    {
        return implode(',', self::COLUMNS);
    }

    /** One line, without its end. */
    public static function line(Attempt $attempt): string
    {
        return self::ofLine(AttemptFile::line($attempt));
    }

    /**
     * The same from a line of AttemptFile's.
     *
     * @throws \JsonException when it is none
     */
    public static function ofLine(string $line): string
    {
        $data = (object) json_decode($line, false, 512, \JSON_THROW_ON_ERROR);
        $result = ($data->result ?? null) instanceof \stdClass ? clone $data->result : new \stdClass();
        $text = static fn(mixed $value): string => null === $value ? '' : json_encode(
            $value,
            \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_UNICODE | \JSON_UNESCAPED_SLASHES | \JSON_PRESERVE_ZERO_FRACTION,
        );
        $word = static fn(mixed $value): string => \is_string($value) ? $value : '';
        $cue = \is_array($result->cue ?? null) ? $result->cue : [];
        $cells = [
            'key' => $word($data->key ?? null),
            'at' => $word($data->at ?? null),
            'made' => true === ($result->made ?? null) ? 'yes' : 'no',
            'missed' => $word($result->missed ?? null),
            'cueAlong' => $text($cue[0] ?? null),
            'cueAcross' => $text($cue[1] ?? null),
            'said' => $text($data->said ?? null),
            'run' => $word($data->run ?? null),
            'moved' => [] === (array) ($result->moved ?? []) ? '' : $text($result->moved),
        ];
        foreach (['session', 'rack', 'meant', 'plan'] as $key) {
            $cells[$key] = $text($data->{$key} ?? null);
        }
        // What has no column: keys of the attempt, and below "result" those of its result.
        foreach (['key', 'at', 'run', 'session', 'rack', 'meant', 'plan', 'said'] as $key) {
            unset($data->{$key});
        }
        foreach (['made', 'cue', 'moved', 'missed'] as $key) {
            unset($result->{$key});
        }
        $data->result = $result;
        if ([] === get_object_vars($result)) {
            unset($data->result);
        }
        $cells['more'] = [] === get_object_vars($data) ? '' : $text($data);

        return implode(',', array_map(static fn(string $c): string => self::quoted($cells[$c]), self::COLUMNS));
    }

    /**
     * @return \Generator<int, Attempt> by number of the line, from 2; empty lines are passed over
     *
     * @throws InvalidInput that names the line and the path of the fault
     */
    public static function read(string $text): \Generator
    {
        $lines = explode("\n", $text);
        $head = self::cells(array_shift($lines));
        $missing = array_diff(['at', 'made', 'rack', 'meant'], $head);
        if ([] !== $missing) {
            throw new InvalidInput('line 1', 'the column "' . array_values($missing)[0] . '" is missing');
        }
        foreach ($lines as $n => $line) {
            if ('' === trim($line)) {
                continue;
            }
            $cells = self::cells($line);
            try {
                if (\count($cells) !== \count($head)) {
                    throw new InvalidInput('', \sprintf('has %d cells where the first line has %d', \count($cells), \count($head)));
                }
                yield $n + 2 => AttemptFile::of(self::document(array_combine($head, $cells)));
            } catch (InvalidInput $e) {
                throw new InvalidInput('line ' . ($n + 2), '' === $e->path ? $e->problem : "$e->path: $e->problem");
            }
        }
    }

    /**
     * @param array<string|int, string> $cells
     *
     * @throws InvalidInput
     */
    private static function document(array $cells): \stdClass
    {
        $objects = [];
        foreach (self::OBJECTS as $column) {
            $cell = trim($cells[$column] ?? '');
            try {
                $objects[$column] = '' === $cell ? null : JsonText::decode($cell, \PHP_INT_MAX);
            } catch (InvalidInput $e) {
                throw $e->under($column);
            }
        }
        $more = $objects['more'];
        $data = $more instanceof \stdClass ? $more : new \stdClass();
        $result = ($data->result ?? null) instanceof \stdClass ? $data->result : new \stdClass();
        $given = static fn(string $column): bool => '' !== trim($cells[$column] ?? '');
        $number = static fn(string $column): float|string => is_numeric(trim($cells[$column] ?? ''))
            ? (float) $cells[$column]
            : $cells[$column];
        $result->made = match (strtolower(trim($cells['made']))) {
            'yes', 'true', '1' => true,
            'no', 'false', '0' => false,
            default => throw new InvalidInput('made', 'must be yes or no'),
        };
        $result->missed = $given('missed') ? trim($cells['missed']) : null;
        $result->cue = $given('cueAlong') || $given('cueAcross') ? [$number('cueAlong'), $number('cueAcross')] : null;
        $result->moved = $objects['moved'] ?? new \stdClass();
        $data->result = $result;
        $data->at = trim($cells['at']);
        $data->said = $given('said') ? $number('said') : null;
        $data->key = $given('key') ? trim($cells['key']) : null;
        $data->run = $given('run') ? trim($cells['run']) : null;
        foreach (['session', 'rack', 'meant', 'plan'] as $key) {
            $data->{$key} = $objects[$key];
        }

        return $data;
    }

    /** @return list<string> */
    private static function cells(string $line): array
    {
        return array_map(strval(...), str_getcsv(rtrim($line, "\r"), ',', '"', ''));
    }

    private static function quoted(string $cell): string
    {
        return 1 === preg_match('/[",\r\n]/', $cell) ? '"' . str_replace('"', '""', $cell) . '"' : $cell;
    }
}
