<?php

declare(strict_types=1);

namespace ZigLane\App\Form;

use ZigLane\App\View\Units;
use ZigLane\Core\Measuring\TestKind;

/**
 * Readings between the units of the page and SI.
 */
final class Readings
{
    /** Places that a reading is shown with. */
    private const PLACES = 3;

    private function __construct() {}

    /**
     * @return array<string, string> name by a field's unit
     */
    public static function unitNames(Units $units): array
    {
        $metric = Units::Metric === $units;

        return ['length' => $metric ? 'cm' : 'in', 'short' => $metric ? 'mm' : 'in', 'tip' => 'mm', 'time' => 's', 'count' => 'lengths'];
    }

    /**
     * @param array<array-key, mixed> $typed by kind, try and field
     *
     * @return array<string, array<int, array<string, float>>>
     */
    public static function toSi(array $typed, Units $units): array
    {
        return self::map($typed, static fn(float $value, string $unit): float => $value * self::scale($unit, $units));
    }

    /**
     * @param array<array-key, mixed> $rows SI
     *
     * @return array<string, array<int, array<string, float>>>
     */
    public static function shown(array $rows, Units $units): array
    {
        return self::map($rows, static fn(float $value, string $unit): float => round($value / self::scale($unit, $units), self::PLACES));
    }

    /** The unit of the page in SI. */
    private static function scale(string $unit, Units $units): float
    {
        $metric = Units::Metric === $units;

        return match ($unit) {
            'length' => $metric ? 0.01 : 0.0254,
            'short' => $metric ? 0.001 : 0.0254,
            'tip' => 0.001,
            default => 1.0,
        };
    }

    /**
     * @param array<array-key, mixed>        $rows
     * @param callable(float, string): float $as   from the value and its unit
     *
     * @return array<string, array<int, array<string, float>>>
     */
    private static function map(array $rows, callable $as): array
    {
        $out = [];
        foreach (TestKind::cases() as $kind) {
            for ($try = 0; $try < TestKind::TRIES; ++$try) {
                $tries = $rows[$kind->value] ?? null;
                $row = \is_array($tries) ? $tries[$try] ?? null : null;
                foreach ($kind->fields() as $key => $field) {
                    $value = \is_array($row) ? $row[$key] ?? null : null;
                    if (is_numeric($value)) {
                        $out[$kind->value][$try][$key] = $as((float) $value, $field['unit']);
                    }
                }
            }
        }

        return $out;
    }
}
