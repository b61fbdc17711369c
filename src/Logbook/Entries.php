<?php

declare(strict_types=1);

namespace ZigLane\App\Logbook;

use Doctrine\DBAL\ArrayParameterType;
use Doctrine\DBAL\Connection;
use Symfony\Component\Clock\ClockInterface;
use ZigLane\Core\Logbook\Attempt;
use ZigLane\Core\Logbook\AttemptFacts;
use ZigLane\Core\Logbook\AttemptFile;
use ZigLane\Core\Logbook\Session;

/**
 * Writes attempts: each once, however often it is sent.
 */
final readonly class Entries
{
    /** Columns of an attempt, in the order of row(). */
    private const COLUMNS = [
        'session_id', 'entry_key', 'run_key', 'edition', 'played_at', 'game', 'ball', 'pocket', 'kind', 'spin', 'made', 'missed',
        'scratched', 'in_position', 'cut', 'distance', 'lengths', 'rails', 'overrun', 'aside', 'promised_pot', 'promised_position', 'said',
    ];

    /** Rows in one statement. */
    private const AT_ONCE = 100;

    private const TIME = 'Y-m-d H:i:s';

    public function __construct(private Connection $database, private ClockInterface $clock, private LogbookEdition $edition) {}

    /**
     * Keeps entries: newer editions take the place of older ones, the same or older ones change nothing.
     *
     * @param list<Entry> $entries
     */
    public function keep(array $entries): void
    {
        $this->database->transactional(function () use ($entries): void {
            $this->edition->next();
            $sessions = $this->sessions($entries);
            foreach (array_chunk($entries, self::AT_ONCE) as $some) {
                $this->write(array_values(array_filter($some, static fn(Entry $e): bool => null !== $e->attempt)), $sessions);
                foreach ($some as $entry) {
                    if (null === $entry->attempt) {
                        $this->takeBack($entry);
                    }
                }
            }
        });
    }

    /**
     * Keeps entries, and puts back those of them that were deleted.
     *
     * @param list<Entry> $entries
     *
     * @return int how many were not there before
     */
    public function keepAndPutBack(array $entries): int
    {
        return $this->database->transactional(function () use ($entries): int {
            $before = $this->count();
            $this->keep($entries);
            foreach (array_chunk($entries, self::AT_ONCE) as $some) {
                $this->putBack($some);
            }

            return $this->count() - $before;
        });
    }

    private function count(): int
    {
        $many = $this->database->fetchOne(
            'SELECT COUNT(*) FROM attempt a JOIN play_session s ON s.id = a.session_id WHERE a.deleted_at IS NULL AND s.deleted_at IS NULL',
        );

        return is_numeric($many) ? (int) $many : 0;
    }

    /** Puts another result in the place of an attempt's; the device that wrote it has no say over it any longer. */
    public function change(int $id, Attempt $attempt): void
    {
        $row = self::row($attempt, 0, 0);
        $row = array_diff_key(array_combine(self::COLUMNS, $row), ['session_id' => 0, 'entry_key' => 0, 'edition' => 0]);
        $this->database->transactional(function () use ($id, $row, $attempt): void {
            $this->edition->next();
            $this->database->update('attempt', $row + ['edition' => \PHP_INT_MAX >> 32], ['id' => $id]);
            $document = AttemptFile::line($attempt->withoutSession());
            $this->database->update('attempt_document', ['document' => $document], ['attempt_id' => $id]);
        });
    }

    /**
     * @param list<Entry>        $entries  of one chunk, with attempts
     * @param array<string, int> $sessions their numbers, by key
     */
    private function write(array $entries, array $sessions): void
    {
        if ([] === $entries) {
            return;
        }
        $rows = [];
        foreach ($entries as $entry) {
            \assert(null !== $entry->attempt && null !== $entry->attempt->session);
            array_push($rows, ...self::row($entry->attempt, $sessions[$entry->attempt->session->key], $entry->edition));
        }
        // Where the stored edition is as new, every column keeps what it has. The edition comes last: the others look at it.
        $newer = array_map(
            static fn(string $c): string => "$c = IF(VALUES(edition) > edition, VALUES($c), $c)",
            array_values(array_diff(self::COLUMNS, ['entry_key', 'edition', 'session_id'])),
        );
        $places = '(' . implode(', ', array_fill(0, \count(self::COLUMNS), '?')) . ')';
        $this->database->executeStatement(
            'INSERT INTO attempt (' . implode(', ', self::COLUMNS) . ') VALUES ' . implode(', ', array_fill(0, \count($entries), $places))
            . ' ON DUPLICATE KEY UPDATE deleted_at = IF(VALUES(edition) > edition, NULL, deleted_at), ' . implode(', ', $newer)
            . ', edition = GREATEST(edition, VALUES(edition))',
            $rows,
        );
        $this->writeDocuments($entries);
    }

    /**
     * The documents of those that are stored as they came.
     *
     * @param non-empty-list<Entry> $entries
     */
    private function writeDocuments(array $entries): void
    {
        $given = [];
        foreach ($entries as $entry) {
            \assert(null !== $entry->attempt);
            array_push($given, $entry->key, $entry->edition, AttemptFile::line($entry->attempt->withoutSession()));
        }
        $rows = 'SELECT CONVERT(? USING ascii) COLLATE ascii_bin AS entry_key, ? AS edition, ? AS document';
        $this->database->executeStatement(
            'INSERT INTO attempt_document (attempt_id, document) SELECT a.id, v.document FROM ('
            . implode(' UNION ALL ', array_fill(0, \count($entries), $rows))
            . ') v JOIN attempt a ON a.entry_key = v.entry_key AND a.edition = v.edition'
            . ' ON DUPLICATE KEY UPDATE document = VALUES(document)',
            $given,
        );
    }

    /** @param list<Entry> $entries */
    private function putBack(array $entries): void
    {
        $this->database->executeStatement(
            'UPDATE attempt a JOIN play_session s ON s.id = a.session_id SET a.deleted_at = NULL, s.deleted_at = NULL WHERE a.entry_key IN (?)',
            [array_map(static fn(Entry $e): string => $e->key, $entries)],
            [ArrayParameterType::STRING],
        );
    }

    /** An attempt that was never seen leaves nothing behind when it is taken back before it came; its key is not used again. */
    private function takeBack(Entry $entry): void
    {
        $this->database->executeStatement(
            'UPDATE attempt SET deleted_at = ?, edition = ? WHERE entry_key = ? AND edition < ?',
            [$this->clock->now()->format(self::TIME), $entry->edition, $entry->key, $entry->edition],
        );
    }

    /**
     * Makes the sessions that are new.
     *
     * @param list<Entry> $entries
     *
     * @return array<string, int> their numbers, by key
     */
    private function sessions(array $entries): array
    {
        $numbers = [];
        foreach ($entries as $entry) {
            $session = $entry->attempt?->session;
            if (null !== $session) {
                $numbers[$session->key] ??= $this->session($session);
            }
        }

        return $numbers;
    }

    /** The number of a session, which is made when it is new. */
    private function session(Session $session): int
    {
        $this->database->executeStatement(
            'INSERT IGNORE INTO play_session (entry_key, began_at, kind, player, place, opponent, notes, made_up) VALUES (?, ?, ?, ?, ?, ?, ?, ?)',
            [
                $session->key,
                $session->at->format(self::TIME),
                $session->kind->value,
                $session->player,
                $session->place,
                $session->opponent,
                $session->notes,
                (int) $session->madeUp,
            ],
        );
        $id = $this->database->fetchOne('SELECT id FROM play_session WHERE entry_key = ?', [$session->key]);

        return is_numeric($id) ? (int) $id : throw new \UnexpectedValueException("Session $session->key is missing.");
    }

    /**
     * @return list<scalar|null> in the order of COLUMNS
     */
    private static function row(Attempt $attempt, int $session, int $edition): array
    {
        $facts = AttemptFacts::of($attempt);
        $flag = static fn(?bool $is): ?int => null === $is ? null : (int) $is;

        return [
            $session,
            (string) $attempt->key,
            $attempt->run,
            $edition,
            $attempt->at->setTimezone(new \DateTimeZone('UTC'))->format(self::TIME),
            $attempt->rack->game->value,
            $attempt->meant->ball,
            $attempt->meant->pocket?->value,
            $facts->kind->value,
            $facts->spin->value,
            (int) $attempt->result->made,
            $attempt->result->missed?->value,
            (int) $facts->scratched,
            $flag($facts->inPosition),
            $facts->cutDeg,
            $facts->distance,
            $facts->lengths,
            $facts->rails,
            $facts->long,
            $facts->wide,
            $attempt->forecast?->pot,
            $attempt->forecast?->position,
            $attempt->said,
        ];
    }
}
