<?php

declare(strict_types=1);

namespace ZigLane\Core\Measuring;

use ZigLane\Core\Equipment\TableSize;
use ZigLane\Core\InvalidInput;

/**
 * The readings of an evening at a table, as written down. SI units.
 */
final readonly class Sheet
{
    /**
     * @param array<string, array<int, array<string, float>>> $rows by TestKind, try and field
     */
    private function __construct(public array $rows) {}

    /**
     * @param array<array-key, mixed> $raw by TestKind, try and field: numbers, or text as typed; empty rows are left out
     *
     * @throws InvalidInput for a row with a gap, or a reading that is no number or far out of range
     */
    public static function read(array $raw): self
    {
        $rows = [];
        foreach (TestKind::cases() as $kind) {
            $tries = $raw[$kind->value] ?? [];
            for ($try = 0; $try < TestKind::TRIES; ++$try) {
                $given = \is_array($tries) ? ($tries[$try] ?? []) : [];
                $row = self::row($kind, $try, \is_array($given) ? $given : []);
                if ([] !== $row) {
                    $rows[$kind->value][$try] = $row;
                }
            }
        }

        return new self($rows);
    }

    /** Whether there is no reading at all. */
    public function isEmpty(): bool
    {
        return [] === $this->rows;
    }

    /**
     * @return list<Measurement>
     */
    public function measurements(TableSize $size): array
    {
        $list = [];
        foreach ($this->rows as $kind => $tries) {
            foreach ($tries as $try => $values) {
                $list[] = TestKind::from($kind)->measurement($try, $values, $size);
            }
        }

        return $list;
    }

    /**
     * @param array<array-key, mixed> $given
     *
     * @return array<string, float>
     */
    private static function row(TestKind $kind, int $try, array $given): array
    {
        $row = [];
        $gap = null;
        foreach ($kind->fields() as $key => $field) {
            $value = $given[$key] ?? '';
            $text = \is_string($value) ? trim(str_replace(',', '.', $value)) : $value;
            if ('' === $text) {
                $gap = $field['label'];
                continue;
            }
            if (!is_numeric($text) || !is_finite((float) $text)) {
                throw new InvalidInput($kind->name($try), \sprintf('%s is not a number', $field['label']));
            }
            $number = (float) $text;
            if ($number < $field['low'] || $number > $field['high']) {
                throw new InvalidInput(
                    $kind->name($try),
                    \sprintf(
                        '%s: %s is outside %s',
                        $field['label'],
                        self::show($number, $field['unit']),
                        self::show($field['low'], $field['unit'], $field['high']),
                    ),
                );
            }
            $row[$key] = $number;
        }
        if ([] !== $row && null !== $gap) {
            throw new InvalidInput($kind->name($try), \sprintf('%s is missing', $gap));
        }

        return $row;
    }

    private static function show(float $value, string $unit, ?float $to = null): string
    {
        [$scale, $name] = match ($unit) {
            'length' => [100.0, ' cm'],
            'short', 'tip' => [1000.0, ' mm'],
            'time' => [1.0, ' s'],
            default => [1.0, ' lengths'],
        };
        $say = static fn(float $v): string => (string) round($v * $scale, 2);

        return $say($value) . (null === $to ? '' : '–' . $say($to)) . $name;
    }
}
