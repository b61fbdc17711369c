<?php

declare(strict_types=1);

namespace ZigLane\App\Logbook;

use ZigLane\Core\InvalidInput;
use ZigLane\Core\Logbook\AttemptFile;
use ZigLane\Core\Logbook\LogbookFields;
use ZigLane\Core\Rack\Files\Fields;
use ZigLane\Core\Rack\Files\JsonText;

/**
 * Reads what a device sends: { "entries": [ { "key", "edition", "attempt": {…} | null } ] }.
 */
final class EntryReader
{
    /** Entries in one request: more are sent in several. */
    public const MOST = 50;

    /** Bytes of one request. */
    private const LONGEST = 900_000;

    /** The highest count of changes. */
    private const EDITIONS = 1_000_000;

    private function __construct() {}

    /**
     * @return array{list<Entry>, array<string, string>} the entries, and by key what is wrong with the others
     *
     * @throws InvalidInput when the whole cannot be read
     */
    public static function read(string $body): array
    {
        $data = new Fields(JsonText::decode($body, self::LONGEST), '');
        $rows = $data->raw('entries');
        if (!\is_array($rows) || !array_is_list($rows) || [] === $rows || \count($rows) > self::MOST) {
            throw new InvalidInput('entries', \sprintf('must be a list of 1 to %d entries', self::MOST));
        }
        $entries = $refused = [];
        foreach ($rows as $n => $row) {
            $file = new Fields($row, "entries[$n]");
            $key = LogbookFields::key($file);
            try {
                $entries[] = self::entry($file, $key);
            } catch (InvalidInput $e) {
                $refused[$key] = $e->getMessage();
            }
        }

        return [$entries, $refused];
    }

    /** @throws InvalidInput */
    private static function entry(Fields $file, string $key): Entry
    {
        $edition = $file->whole('edition', 1, 1, self::EDITIONS);
        $data = $file->raw('attempt');
        if (null === $data) {
            return new Entry($key, $edition, null);
        }
        $attempt = AttemptFile::of($data);
        $session = $attempt->session ?? throw new InvalidInput('session', 'is missing');

        return new Entry($key, $edition, $attempt->entered($key, $session));
    }
}
