<?php

declare(strict_types=1);

namespace ZigLane\App\Coach;

use Doctrine\DBAL\Connection;
use ZigLane\App\Drills\Rounds;
use ZigLane\App\Logbook\Logbook;
use ZigLane\App\Profile\ProfileKind;
use ZigLane\App\Profile\ProfileStore;

/**
 * What a coach looks at: who there is, and what each of them did lately.
 *
 * @phpstan-type Seen array{sessions: int, shots: int, made: int, tests: int, last: string|null}
 */
final readonly class CoachDesk
{
    /** Days that "lately" means; rows of a list. */
    public const DAYS = 28;
    private const SHOWN = 20;

    public function __construct(
        private Connection $database,
        private Logbook $logbook,
        private Rounds $rounds,
        private Assignments $assignments,
        private ProfileStore $profiles,
    ) {}

    /** @return list<string> whoever has a profile, played, or was set something; in order of the names */
    public function players(): array
    {
        $profiles = array_map(static fn($profile): string => $profile->name(), $this->profiles->all(ProfileKind::Player));
        $names = array_unique([
            ...$profiles,
            ...$this->logbook->players(),
            ...$this->rounds->players(),
            ...$this->assignments->players(),
        ]);
        sort($names, \SORT_NATURAL | \SORT_FLAG_CASE);

        return $names;
    }

    /**
     * What everybody did lately.
     *
     * @return array<string, Seen> by player
     */
    public function lately(\DateTimeImmutable $now): array
    {
        $since = $now->modify(\sprintf('-%d days', self::DAYS))->format('Y-m-d H:i:s');
        $seen = [];
        foreach ($this->database->fetchAllAssociative(
            'SELECT s.player, COUNT(DISTINCT s.id) AS sessions, COUNT(a.id) AS shots, SUM(a.made) AS made, MAX(s.began_at) AS last'
            . ' FROM play_session s LEFT JOIN attempt a ON a.session_id = s.id AND a.deleted_at IS NULL'
            . ' WHERE s.deleted_at IS NULL AND s.began_at >= ? GROUP BY s.player',
            [$since],
        ) as $row) {
            $seen[self::text($row['player'])] = [
                'sessions' => self::whole($row['sessions']),
                'shots' => self::whole($row['shots']),
                'made' => self::whole($row['made']),
                'tests' => 0,
                'last' => self::text($row['last']),
            ];
        }
        foreach ($this->database->fetchAllAssociative(
            'SELECT player, COUNT(*) AS tests, MAX(played_at) AS last FROM drill_round WHERE test = 1 AND played_at >= ? GROUP BY player',
            [$since],
        ) as $row) {
            $player = self::text($row['player']);
            $before = $seen[$player] ?? ['sessions' => 0, 'shots' => 0, 'made' => 0, 'tests' => 0, 'last' => null];
            $last = max((string) $before['last'], self::text($row['last']));
            $seen[$player] = ['tests' => self::whole($row['tests']), 'last' => $last] + $before;
        }

        return $seen;
    }

    /**
     * A player's latest sessions, the newest first.
     *
     * @return list<array<string, mixed>>
     */
    public function sessions(string $player): array
    {
        return $this->database->fetchAllAssociative(
            'SELECT s.id, s.began_at, s.kind, s.place, s.made_up, COUNT(a.id) AS shots, SUM(a.made) AS made, COUNT(a.in_position) AS zoned,'
            . ' SUM(a.made AND a.in_position) AS placed'
            . ' FROM play_session s LEFT JOIN attempt a ON a.session_id = s.id AND a.deleted_at IS NULL'
            . ' WHERE s.deleted_at IS NULL AND s.player = ? GROUP BY s.id ORDER BY s.began_at DESC, s.id DESC LIMIT ' . self::SHOWN,
            [$player],
        );
    }

    /**
     * A player's latest rounds of all drills, the newest first.
     *
     * @return list<array<string, mixed>>
     */
    public function rounds(string $player): array
    {
        return $this->database->fetchAllAssociative(
            'SELECT drill, step, test, place, played_at, score, repeats FROM drill_round WHERE player = ? ORDER BY played_at DESC, id DESC LIMIT '
            . self::SHOWN,
            [$player],
        );
    }

    private static function text(mixed $value): string
    {
        return \is_string($value) ? $value : '';
    }

    private static function whole(mixed $value): int
    {
        return is_numeric($value) ? (int) $value : 0;
    }
}
