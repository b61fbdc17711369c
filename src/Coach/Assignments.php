<?php

declare(strict_types=1);

namespace ZigLane\App\Coach;

use Doctrine\DBAL\Connection;
use Symfony\Component\Clock\ClockInterface;
use ZigLane\App\Upkeep\Perishable;
use ZigLane\Core\InvalidInput;

/**
 * What coaches set players, in the database; what came of it is read from the rounds and the logbook.
 *
 * @phpstan-type Result array{at: string, score: int|null, made: int|null, shots: int|null, test: bool, link: string|null}
 * @phpstan-type Set array{id: int, player: string, drill: string|null, rack: int|null, rackName: string|null, note: string,
 *                         due: string|null, assigned: string, closed: string|null, results: list<Result>}
 */
final readonly class Assignments implements Perishable
{
    /** Kept at most; those done with are kept so many days, and shown so many. */
    private const MOST = 2000;
    private const KEPT_DAYS = 365;
    private const SHOWN = 200;

    /** Results shown of one. */
    private const RESULTS = 12;

    public function __construct(private Connection $database, private ClockInterface $clock) {}

    /** @throws InvalidInput when there are too many */
    public function add(NewAssignment $new): void
    {
        $many = $this->database->fetchOne('SELECT COUNT(*) FROM assignment');
        if (is_numeric($many) && $many + \count($new->players) > self::MOST) {
            throw new InvalidInput('', \sprintf('There are %d already: end some', $many));
        }
        foreach ($new->players as $player) {
            $this->database->insert('assignment', [
                'player' => $player,
                'drill' => $new->drill,
                'rack_id' => $new->rack,
                'note' => $new->note,
                'due' => $new->due,
                'assigned_at' => $this->now(),
            ]);
        }
    }

    /** Ends one, or begins it again. */
    public function close(int $id, bool $closed): void
    {
        $this->database->update('assignment', ['closed_at' => $closed ? $this->now() : null], ['id' => $id]);
    }

    /**
     * Those under way, or those that were ended, with what came of them; the nearest day first.
     *
     * @return list<Set>
     */
    public function all(?string $player = null, bool $closed = false): array
    {
        $rows = $this->database->fetchAllAssociative(
            'SELECT a.id, a.player, a.drill, a.rack_id, a.note, a.due, a.assigned_at, a.closed_at, r.name AS rack_name'
            . ' FROM assignment a LEFT JOIN rack r ON r.id = a.rack_id AND r.deleted_at IS NULL WHERE a.closed_at IS '
            . ($closed ? 'NOT NULL' : 'NULL') . (null === $player ? '' : ' AND a.player = ?')
            . ' ORDER BY a.due IS NULL, a.due, a.id DESC LIMIT ' . self::SHOWN,
            null === $player ? [] : [$player],
        );

        return array_map($this->read(...), $rows);
    }

    /** @return list<string> who was set something, in order of the names */
    public function players(): array
    {
        $names = $this->database->fetchFirstColumn('SELECT DISTINCT player FROM assignment ORDER BY player');

        return array_values(array_filter($names, is_string(...)));
    }

    public function purge(\DateTimeImmutable $now): int
    {
        return (int) $this->database->executeStatement(
            'DELETE FROM assignment WHERE closed_at < ?',
            [$now->modify(\sprintf('-%d days', self::KEPT_DAYS))->format('Y-m-d H:i:s')],
        );
    }

    /**
     * @param array<string, mixed> $row
     *
     * @return Set
     */
    private function read(array $row): array
    {
        $text = static fn(string $key): ?string => \is_string($row[$key] ?? null) ? $row[$key] : null;
        $rack = is_numeric($row['rack_id']) ? (int) $row['rack_id'] : null;
        [$player, $since] = [(string) $text('player'), (string) $text('assigned_at')];

        return [
            'id' => is_numeric($row['id']) ? (int) $row['id'] : 0,
            'player' => $player,
            'drill' => $text('drill'),
            'rack' => $rack,
            'rackName' => $text('rack_name'),
            'note' => (string) $text('note'),
            'due' => $text('due'),
            'assigned' => $since,
            'closed' => $text('closed_at'),
            'results' => null === $rack
                ? $this->rounds((string) $text('drill'), $player, $since, $text('closed_at'))
                : $this->runs($rack, $player, $since, $text('closed_at')),
        ];
    }

    /**
     * Rounds of the drill since it was set, the newest first.
     *
     * @return list<Result>
     */
    private function rounds(string $drill, string $player, string $since, ?string $until): array
    {
        $rows = $this->database->fetchAllAssociative(
            'SELECT played_at, score, test FROM drill_round WHERE drill = ? AND player = ? AND played_at >= ? AND played_at <= ?'
            . ' ORDER BY played_at DESC, id DESC LIMIT ' . self::RESULTS,
            [$drill, $player, $since, $until ?? '9999-12-31'],
        );

        return array_map(static fn(array $row): array => [
            'at' => \is_string($row['played_at']) ? $row['played_at'] : '',
            'score' => is_numeric($row['score']) ? (int) $row['score'] : null,
            'made' => null,
            'shots' => null,
            'test' => 1 == $row['test'],
            'link' => null,
        ], $rows);
    }

    /**
     * Runs of the rack since it was set, the newest first: of this player, or of whoever did not say a name.
     *
     * @return list<Result>
     */
    private function runs(int $rack, string $player, string $since, ?string $until): array
    {
        $rows = $this->database->fetchAllAssociative(
            'SELECT a.run_key, MIN(a.played_at) AS at, COUNT(*) AS shots, SUM(a.made) AS made FROM attempt a JOIN play_session s'
            . ' ON s.id = a.session_id WHERE a.run_key LIKE ? AND a.deleted_at IS NULL AND s.deleted_at IS NULL'
            . " AND (s.player = ? OR s.player = '')"
            . ' AND a.played_at >= ? AND a.played_at <= ? GROUP BY a.run_key ORDER BY at DESC LIMIT ' . self::RESULTS,
            ["r$rack-%", $player, $since, $until ?? '9999-12-31'],
        );

        return array_map(static fn(array $row): array => [
            'at' => \is_string($row['at']) ? $row['at'] : '',
            'score' => null,
            'made' => is_numeric($row['made']) ? (int) $row['made'] : null,
            'shots' => is_numeric($row['shots']) ? (int) $row['shots'] : null,
            'test' => true,
            'link' => \is_string($row['run_key']) ? $row['run_key'] : null,
        ], $rows);
    }

    private function now(): string
    {
        return $this->clock->now()->format('Y-m-d H:i:s');
    }
}
