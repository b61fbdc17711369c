<?php

declare(strict_types=1);

namespace ZigLane\App\Logbook;

use Doctrine\DBAL\Connection;
use Doctrine\ORM\EntityManagerInterface;
use Symfony\Component\Clock\ClockInterface;
use ZigLane\App\Entity\SessionRecord;
use ZigLane\App\Upkeep\Perishable;
use ZigLane\Core\InvalidInput;
use ZigLane\Core\Logbook\Attempt;
use ZigLane\Core\Logbook\AttemptFile;
use ZigLane\Core\Logbook\SessionFields;
use ZigLane\Core\Rack\Files\JsonText;

/**
 * Reads the logbook: sessions, attempts, shares.
 *
 * @phpstan-type Row array<string, string|int|float|null>
 */
final readonly class Logbook implements Perishable
{
    /** Rows on a page. */
    public const PAGE = 40;
    public const SESSIONS = 12;

    /** Days for which what was deleted can be put back. */
    public const KEPT_DAYS = 30;

    /** Shots of one rack that are shown. */
    private const RUN = 60;

    /** Attempts that are fetched at once for a file. */
    private const AT_ONCE = 500;

    /** How a stored document begins: what its session is put behind. */
    private const HEAD = '/^\{"key":"[^"]*","at":"[^"]*"/';

    private const WHOLE = ' FROM attempt a JOIN attempt_document d ON d.attempt_id = a.id WHERE ';

    private const ROW = 'SELECT a.id, a.session_id, a.played_at, a.game, a.ball, a.pocket, a.kind, a.spin, a.made, a.missed,'
        . ' a.scratched, a.in_position, a.cut, a.distance, a.lengths, a.rails, a.overrun, a.aside, a.promised_pot, a.promised_position,'
        . ' a.said, s.player, s.made_up';

    public function __construct(
        private Connection $database,
        private EntityManagerInterface $entities,
        private ClockInterface $clock,
        private LogbookEdition $edition,
    ) {}

    /**
     * @param int $page from 1
     *
     * @return list<Row> the newest first
     */
    public function attempts(LogbookFilter $filter, int $page): array
    {
        [$where, $values] = $filter->where();
        $first = self::PAGE * (max(1, $page) - 1);

        // The page's rows are found along the index first, and only these are read whole.
        $page = "SELECT a.id FROM attempt a WHERE $where ORDER BY a.played_at DESC, a.id DESC LIMIT " . self::PAGE . " OFFSET $first";

        return $this->rows(
            self::ROW . " FROM ($page) p JOIN attempt a ON a.id = p.id JOIN play_session s ON s.id = a.session_id"
            . ' ORDER BY a.played_at DESC, a.id DESC',
            $values,
        );
    }

    /**
     * @param int $page from 1
     *
     * @return list<Row> with tries and made; the newest first
     */
    public function sessions(int $page, bool $deleted = false): array
    {
        $which = $deleted ? 's.deleted_at IS NOT NULL' : 's.deleted_at IS NULL';
        $first = self::SESSIONS * (max(1, $page) - 1);
        $sessions = $this->rows(
            'SELECT s.id, s.began_at, s.kind, s.player, s.place, s.opponent, s.notes, s.made_up FROM play_session s'
            . " WHERE $which ORDER BY s.began_at DESC, s.id DESC LIMIT " . self::SESSIONS . " OFFSET $first",
            [],
        );
        if ([] === $sessions) {
            return [];
        }
        $these = implode(', ', array_map(intval(...), array_column($sessions, 'id')));
        $sums = array_column($this->rows(
            'SELECT a.session_id, COUNT(*) AS tries, SUM(a.made) AS made, COUNT(a.in_position) AS zoned, SUM(a.made AND a.in_position) AS placed'
            . " FROM attempt a WHERE a.deleted_at IS NULL AND a.session_id IN ($these) GROUP BY a.session_id",
            [],
        ), null, 'session_id');

        return array_map(
            static fn(array $s): array => $s + ($sums[(int) $s['id']] ?? ['tries' => 0, 'made' => 0, 'zoned' => 0, 'placed' => 0]),
            $sessions,
        );
    }

    /** @return array{int, int} sessions, and deleted ones */
    public function sessionCounts(): array
    {
        $row = $this->rows('SELECT COUNT(*) - COUNT(deleted_at) AS present, COUNT(deleted_at) AS deleted FROM play_session', [])[0];

        return [(int) $row['present'], (int) $row['deleted']];
    }

    /** @return list<string> who has played, by name */
    public function players(): array
    {
        $rows = $this->rows("SELECT DISTINCT player FROM play_session WHERE deleted_at IS NULL AND player <> '' ORDER BY player", []);

        return array_map(strval(...), array_column($rows, 'player'));
    }

    public function session(int $id): ?SessionRecord
    {
        return $this->entities->find(SessionRecord::class, $id);
    }

    /** @return Row|null an attempt with its document, its session's number and when it was deleted */
    public function attempt(int $id): ?array
    {
        return $this->rows(
            self::ROW . ', d.document, a.deleted_at FROM attempt a JOIN play_session s ON s.id = a.session_id'
            . ' LEFT JOIN attempt_document d ON d.attempt_id = a.id WHERE a.id = ?',
            [$id],
        )[0] ?? null;
    }

    /**
     * The attempt of a row.
     *
     * @param Row $row
     *
     * @throws InvalidInput when what is stored cannot be read
     */
    public function read(array $row): Attempt
    {
        $attempt = AttemptFile::of(JsonText::decode((string) $row['document'], \PHP_INT_MAX));
        $session = $this->session((int) $row['session_id'])?->session();

        return null === $session || null === $attempt->key ? $attempt : $attempt->entered($attempt->key, $session);
    }

    /**
     * Attempts for a file, the oldest first, as AttemptFile writes them; nothing is read on the way, so that damaged ones go out too.
     *
     * @return \Generator<int, string>
     */
    public function lines(LogbookFilter $filter): \Generator
    {
        [$where, $values] = $filter->where();
        $after = ['1000-01-01', 0];
        $sessions = [];
        do {
            $rows = $this->rows(
                'SELECT a.id, a.session_id, a.played_at, d.document' . self::WHOLE
                . "$where AND (a.played_at > ? OR (a.played_at = ? AND a.id > ?)) ORDER BY a.played_at, a.id LIMIT " . self::AT_ONCE,
                [...$values, $after[0], ...$after],
            );
            foreach ($rows as $row) {
                $session = $sessions[(int) $row['session_id']] ??= $this->sessionText((int) $row['session_id']);
                $line = str_replace(["\r", "\n"], ' ', (string) $row['document']);
                // Its place is behind the key and the time, which stand first.
                yield preg_replace_callback(self::HEAD, static fn(array $m): string => "$m[0],$session", $line) ?? $line;
                $after = [(string) $row['played_at'], (int) $row['id']];
            }
        } while (self::AT_ONCE === \count($rows));
    }

    private function sessionText(int $id): string
    {
        $session = $this->session($id)?->session();

        return null === $session ? '' : '"session":' . json_encode(
            SessionFields::write($session),
            \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_UNICODE | \JSON_UNESCAPED_SLASHES,
        );
    }

    /**
     * The shots of one rack, in the order in which they were played; those that cannot be read are left out.
     *
     * @return array<int, Attempt> by their number
     */
    public function run(string $key): array
    {
        $rows = $this->rows(
            'SELECT a.id, a.session_id, d.document' . self::WHOLE . 'a.run_key = ? AND a.deleted_at IS NULL ORDER BY a.played_at, a.id LIMIT '
            . self::RUN,
            [$key],
        );
        $attempts = [];
        foreach ($rows as $row) {
            try {
                $attempts[(int) $row['id']] = $this->read($row);
            } catch (InvalidInput) {
                continue;
            }
        }

        return $attempts;
    }

    /**
     * The latest attempts of a player as they are stored, the oldest first.
     *
     * @return list<string>
     */
    public function latestOf(string $player, int $most): array
    {
        $rows = $this->rows(
            'SELECT d.document' . self::WHOLE . 'a.deleted_at IS NULL AND ' . LogbookFilter::PLAYER
            . " ORDER BY a.played_at DESC, a.id DESC LIMIT $most",
            [$player],
        );

        return array_reverse(array_map(strval(...), array_column($rows, 'document')));
    }

    /** Deletes an attempt, or puts it back. */
    public function delete(int $id, bool $deleted): void
    {
        $this->edition->next();
        $this->database->update('attempt', ['deleted_at' => $deleted ? $this->clock->now()->format('Y-m-d H:i:s') : null], ['id' => $id]);
    }

    /** Removes for good what was deleted long ago. */
    public function purge(\DateTimeImmutable $now): int
    {
        $old = $now->modify(\sprintf('-%d days', self::KEPT_DAYS))->format('Y-m-d H:i:s');
        $removed = 0;
        foreach (['play_session', 'attempt'] as $table) {
            $removed += (int) $this->database->executeStatement("DELETE FROM $table WHERE deleted_at < ?", [$old]);
        }
        if ($removed > 0) {
            $this->edition->next();
        }

        return $removed + (int) $this->database->executeStatement(
            'DELETE FROM upload WHERE created_at < ?',
            [$now->modify('-1 day')->format('Y-m-d H:i:s')],
        );
    }

    /**
     * @param list<scalar> $values
     *
     * @return list<Row>
     */
    private function rows(string $sql, array $values): array
    {
        /** @var list<Row> */
        return $this->database->fetchAllAssociative($sql, $values);
    }
}
