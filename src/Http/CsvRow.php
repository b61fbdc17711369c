<?php

declare(strict_types=1);

namespace ZigLane\App\Http;

/**
 * A row of a table for spreadsheets (RFC 4180).
 */
final class CsvRow
{
    private function __construct() {}

    /** @param list<string|int|float|null> $cells */
    public static function of(array $cells): string
    {
        return implode(',', array_map(static function (string|int|float|null $cell): string {
            $text = (string) $cell;
            // A spreadsheet would take what somebody typed for a formula.
            if (\is_string($cell) && 1 === preg_match('/^[=+\-@\t\r]/', $text)) {
                $text = "'$text";
            }

            return 1 === preg_match('/[",\r\n]/', $text) ? '"' . str_replace('"', '""', $text) . '"' : $text;
        }, $cells)) . "\r\n";
    }
}
