<?php

declare(strict_types=1);

namespace ZigLane\App\Work;

use Doctrine\DBAL\Connection;
use Symfony\Component\Clock\ClockInterface;
use ZigLane\App\Http\TooMany;
use ZigLane\App\Upkeep\Perishable;

/**
 * The tasks in the database, in plain SQL.
 */
final readonly class TaskLedger implements Perishable
{
    public const QUEUED = 'queued';
    public const WORKING = 'working';
    public const DONE = 'done';
    public const FAILED = 'failed';

    /** A task that nobody has asked after for so long is left, s: a page asks several times a second. */
    public const LEFT = 4.0;

    /** An answer is kept for an hour after it was last asked for, and no more than so many; a failure a minute. */
    private const KEPT = 3600;
    private const KEPT_FAILURE = 60;
    private const MOST_KEPT = 600;

    /** So many tasks of one visitor, and of all together, may wait at once. */
    private const MOST_OF_VISITOR = 16;
    private const MOST = 150;

    /** A task that so many workers died over is given up. */
    private const MOST_CRASHES = 2;

    public function __construct(private Connection $database, private ClockInterface $clock) {}

    /**
     * Says that somebody wants to know, and what is known.
     *
     * @return array{state: string, answer: string|null, problem: string|null}|null null for a task that is not there
     */
    public function ask(string $id): ?array
    {
        $row = $this->database->fetchAssociative('SELECT state, answer, problem FROM task WHERE id = ?', [$id]);
        if (false === $row) {
            return null;
        }
        $this->database->executeStatement('UPDATE task SET asked_at = ? WHERE id = ?', [$this->now(), $id]);

        return [
            'state' => \is_string($row['state']) ? $row['state'] : self::FAILED,
            'answer' => \is_string($row['answer']) ? $row['answer'] : null,
            'problem' => \is_string($row['problem']) ? $row['problem'] : null,
        ];
    }

    /**
     * @return bool whether it is new
     *
     * @throws TooMany
     */
    public function post(string $id, string $kind, string $question, string $visitor): bool
    {
        $now = $this->now();
        $waiting = $this->database->fetchAssociative(
            'SELECT COUNT(*) AS everything, SUM(visitor = ?) AS visitor FROM task WHERE state IN (?, ?) AND asked_at > ?',
            [$visitor, self::QUEUED, self::WORKING, $now - self::LEFT],
        ) ?: [];
        foreach (['visitor' => self::MOST_OF_VISITOR, 'everything' => self::MOST] as $what => $most) {
            if (is_numeric($waiting[$what] ?? null) && $waiting[$what] >= $most) {
                throw new TooMany('Too much is being worked out at this moment; try again in a few seconds.');
            }
        }

        return 0 < $this->database->executeStatement(
            'INSERT IGNORE INTO task (id, kind, question, state, visitor, crashes, asked_at) VALUES (?, ?, ?, ?, ?, 0, ?)',
            [$id, $kind, $question, self::QUEUED, $visitor, $now],
        );
    }

    public function forget(string $id): void
    {
        $this->database->executeStatement('DELETE FROM task WHERE id = ?', [$id]);
    }

    /**
     * @return array{kind: string, question: string}|null null when nobody waits for it
     */
    public function begin(string $id, string $worker): ?array
    {
        return $this->database->transactional(function () use ($id, $worker): ?array {
            $row = $this->database->fetchAssociative(
                'SELECT kind, question, state, crashes, asked_at FROM task WHERE id = ? FOR UPDATE',
                [$id],
            );
            if (false === $row || !\in_array($row['state'], [self::QUEUED, self::WORKING], true)) {
                return null;
            }
            if (!self::isFresh($row['asked_at'], $this->now())) {
                $this->forget($id);

                return null;
            }
            $crashes = (is_numeric($row['crashes']) ? (int) $row['crashes'] : 0) + (self::WORKING === $row['state'] ? 1 : 0);
            $given = $crashes >= self::MOST_CRASHES;
            $this->database->executeStatement('UPDATE task SET state = ?, worker = ?, crashes = ?, problem = ? WHERE id = ?', [
                $given ? self::FAILED : self::WORKING,
                $worker,
                $crashes,
                $given ? 'Working this out ended its worker several times.' : null,
                $id,
            ]);

            return $given ? null : [
                'kind' => \is_string($row['kind']) ? $row['kind'] : '',
                'question' => \is_string($row['question']) ? $row['question'] : '',
            ];
        });
    }

    /** Whether a worker is to go on: it is still its task, and somebody still waits. */
    public static function isWanted(Connection $database, string $id, string $worker): bool
    {
        $asked = $database->fetchOne('SELECT asked_at FROM task WHERE id = ? AND worker = ? AND state = ?', [$id, $worker, self::WORKING]);

        return false !== $asked && self::isFresh($asked, microtime(true));
    }

    public function keep(string $id, string $worker, string $answer): void
    {
        $this->database->executeStatement('UPDATE task SET answer = ? WHERE id = ? AND worker = ?', [$answer, $id, $worker]);
    }

    public function end(string $id, string $worker): void
    {
        $this->database->executeStatement(
            'UPDATE task SET state = ? WHERE id = ? AND worker = ? AND state = ?',
            [self::DONE, $id, $worker, self::WORKING],
        );
    }

    public function fail(string $id, string $worker, string $problem): void
    {
        $this->database->executeStatement(
            'UPDATE task SET problem = ?, state = ? WHERE id = ? AND worker = ?',
            [mb_strimwidth($problem, 0, 300, '…'), self::FAILED, $id, $worker],
        );
    }

    /** Leaves a task that nobody waits for: what was found is gone with it, since it was not settled. */
    public function leave(string $id, string $worker): void
    {
        $this->database->executeStatement('DELETE FROM task WHERE id = ? AND worker = ?', [$id, $worker]);
    }

    public function handBack(string $id, string $worker): bool
    {
        return 0 < $this->database->executeStatement(
            'UPDATE task SET state = ?, worker = NULL WHERE id = ? AND worker = ? AND state = ?',
            [self::QUEUED, $id, $worker, self::WORKING],
        );
    }

    /** Removes what has had its time. */
    public function purge(\DateTimeImmutable $now): int
    {
        $time = (float) $now->format('U.u');
        $removed = (int) $this->database->executeStatement(
            'DELETE FROM task WHERE asked_at < ? OR (state = ? AND asked_at < ?)',
            [$time - self::KEPT, self::FAILED, $time - self::KEPT_FAILURE],
        );
        $oldest = $this->database->fetchOne('SELECT asked_at FROM task ORDER BY asked_at DESC LIMIT 1 OFFSET ' . self::MOST_KEPT);
        if (false !== $oldest) {
            $removed += (int) $this->database->executeStatement('DELETE FROM task WHERE asked_at <= ?', [$oldest]);
        }

        return $removed;
    }

    private static function isFresh(mixed $asked, float $now): bool
    {
        return is_numeric($asked) && (float) $asked > $now - self::LEFT;
    }

    /** Seconds since 1970, with their fractions. */
    private function now(): float
    {
        return (float) $this->clock->now()->format('U.u');
    }
}
