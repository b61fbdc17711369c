<?php

declare(strict_types=1);

namespace ZigLane\App\Drills;

use Doctrine\DBAL\Connection;
use ZigLane\Core\Drills\Round;

/**
 * Rounds of drills in the database, each stored once however often it is sent.
 */
final readonly class Rounds
{
    /** So many are shown. */
    private const SHOWN = 60;

    public function __construct(private Connection $database) {}

    /** @param list<Round> $rounds */
    public function keep(array $rounds): void
    {
        foreach ($rounds as $round) {
            $this->database->executeStatement(
                'INSERT IGNORE INTO drill_round (entry_key, drill, step, test, player, place, played_at, score, points, repeats) VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?)',
                [
                    $round->key,
                    $round->drill,
                    $round->step,
                    (int) $round->test,
                    $round->player,
                    $round->place,
                    $round->at->setTimezone(new \DateTimeZone('UTC'))->format('Y-m-d H:i:s'),
                    $round->score(),
                    implode(',', $round->points),
                    $round->repeats,
                ],
            );
        }
    }

    /**
     * The latest rounds of a drill, the newest first.
     *
     * @return list<array<string, mixed>>
     */
    public function of(string $drill, ?string $player = null): array
    {
        return $this->database->fetchAllAssociative(
            'SELECT id, step, test, player, place, played_at, score, points, repeats FROM drill_round WHERE drill = ?'
                . (null === $player ? '' : ' AND player = ?') . ' ORDER BY played_at DESC, id DESC LIMIT ' . self::SHOWN,
            null === $player ? [$drill] : [$drill, $player],
        );
    }

    /**
     * Best and last test of every drill.
     *
     * @return array<string, array{best: int, last: int, tests: int}> by drill
     */
    public function bests(): array
    {
        $found = [];
        $rows = $this->database->fetchAllAssociative('SELECT drill, score FROM drill_round WHERE test = 1 ORDER BY played_at, id');
        foreach ($rows as $row) {
            if (!\is_string($row['drill']) || !is_numeric($row['score'])) {
                continue;
            }
            $score = (int) $row['score'];
            $before = $found[$row['drill']] ?? ['best' => $score, 'last' => $score, 'tests' => 0];
            $found[$row['drill']] = ['best' => max($before['best'], $score), 'last' => $score, 'tests' => $before['tests'] + 1];
        }

        return $found;
    }

    /** @return list<string> who has rounds, in order of the names */
    public function players(): array
    {
        return array_values(array_filter(
            $this->database->fetchFirstColumn('SELECT DISTINCT player FROM drill_round ORDER BY player'),
            static fn(mixed $name): bool => \is_string($name) && '' !== $name,
        ));
    }

    public function drop(int $id): void
    {
        $this->database->delete('drill_round', ['id' => $id]);
    }
}
