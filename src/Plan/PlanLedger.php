<?php

declare(strict_types=1);

namespace ZigLane\App\Plan;

use Doctrine\DBAL\Connection;
use ZigLane\App\Entity\PlanRecord;

/**
 * The workers' side of the plans, in plain SQL. Who begins a plan signs it; what is signed by another is not written any more.
 */
final readonly class PlanLedger
{
    /** A plan that so many workers died over is given up. */
    private const MOST_CRASHES = 3;

    public function __construct(private Connection $database) {}

    /**
     * Begins a plan.
     *
     * @return array{crashes: int, document: string, pins: string}|null
     *               null when it is not to be worked on: stopped, done or gone
     *
     * @throws GivenUp when it ended its worker too often
     */
    public function begin(int $id, string $worker): ?array
    {
        $job = $this->database->transactional(function () use ($id, $worker): ?array {
            $row = $this->database->fetchAssociative(
                'SELECT state, document, pins, crashes FROM plan WHERE id = ? FOR UPDATE',
                [$id],
            );
            if (false === $row || !\in_array($row['state'], PlanRecord::UNDER_WAY, true)) {
                return null;
            }
            // It was begun and neither ended nor handed back: that worker died.
            $crashes = (is_numeric($row['crashes']) ? (int) $row['crashes'] : 0) + (PlanRecord::RUNNING === $row['state'] ? 1 : 0);
            $this->database->executeStatement(
                'UPDATE plan SET state = ?, worker = ?, crashes = ? WHERE id = ?',
                [PlanRecord::RUNNING, $worker, $crashes, $id],
            );

            return [
                'crashes' => $crashes,
                'document' => \is_string($row['document']) ? $row['document'] : '',
                'pins' => \is_string($row['pins']) ? $row['pins'] : '',
            ];
        });
        if (null !== $job && $job['crashes'] >= self::MOST_CRASHES) {
            throw new GivenUp('Planning this rack ended its worker several times. Change something and ask again.');
        }

        return $job;
    }

    /**
     * Stores the best so far.
     *
     * @return bool false when it is to be left: stopping was asked for, or another worker has it
     */
    public function keep(int $id, string $worker, string $result, float $seconds): bool
    {
        $this->database->executeStatement(
            'UPDATE plan SET result = ?, seconds = ? WHERE id = ? AND worker = ? AND state = ?',
            [$result, $seconds, $id, $worker, PlanRecord::RUNNING],
        );

        return self::isWanted($this->database, $id, $worker);
    }

    /** Plans that are being worked on. */
    public function running(): int
    {
        $many = $this->database->fetchOne('SELECT COUNT(*) FROM plan WHERE state = ?', [PlanRecord::RUNNING]);

        return is_numeric($many) ? (int) $many : 0;
    }

    /** Whether a worker is to go on with a plan. */
    public static function isWanted(Connection $database, int $id, string $worker): bool
    {
        return false !== $database->fetchOne(
            'SELECT 1 FROM plan WHERE id = ? AND worker = ? AND state = ?',
            [$id, $worker, PlanRecord::RUNNING],
        );
    }

    /** Stops it at once, also when its worker hangs: what it has so far stays. */
    public function stop(int $id): void
    {
        $this->database->executeStatement(
            'UPDATE plan SET state = ? WHERE id = ? AND state IN (?, ?, ?)',
            [PlanRecord::STOPPED, $id, ...PlanRecord::UNDER_WAY],
        );
    }

    /** Ends it, and with it the visitor's turn. */
    public function end(int $id, string $worker, ?string $problem = null): void
    {
        $this->database->executeStatement(
            'UPDATE plan SET state = ?, problem = ? WHERE id = ? AND worker = ? AND state = ?',
            [
                null === $problem ? PlanRecord::DONE : PlanRecord::FAILED,
                null === $problem ? null : mb_strimwidth($problem, 0, 300, '…'),
                $id,
                $worker,
                PlanRecord::RUNNING,
            ],
        );
    }

    /** Hands a plan back that another worker is to go on with; nothing went wrong. */
    public function handBack(int $id, string $worker): bool
    {
        return 0 < $this->database->executeStatement(
            'UPDATE plan SET state = ?, worker = NULL WHERE id = ? AND worker = ? AND state = ?',
            [PlanRecord::QUEUED, $id, $worker, PlanRecord::RUNNING],
        );
    }

    /** Puts a plan that failed at the end of its visitor's line once more. */
    public function restart(int $id): void
    {
        $this->database->executeStatement(
            'UPDATE plan SET state = ?, problem = NULL, worker = NULL, crashes = 0 WHERE id = ? AND state = ?',
            [PlanRecord::WAITING, $id, PlanRecord::FAILED],
        );
    }

    /**
     * Whose turn has come: each visitor has one plan with the workers at a time, so that all come round. Marks them as queued.
     *
     * @return list<int> plans to hand to the workers now
     */
    public function turns(): array
    {
        return $this->database->transactional(function (): array {
            // One at a time: two at once would each hand out the same turn.
            $this->database->fetchOne("SELECT value FROM setting WHERE name = 'turns' FOR UPDATE");
            /** @var list<int> $ids */
            $ids = $this->database->fetchFirstColumn(
                'SELECT MIN(w.id) FROM plan w WHERE w.state = ? AND NOT EXISTS (SELECT 1 FROM plan b WHERE b.visitor = w.visitor AND b.state IN (?, ?)) GROUP BY w.visitor ORDER BY 1',
                [PlanRecord::WAITING, PlanRecord::QUEUED, PlanRecord::RUNNING],
            );
            foreach ($ids as $id) {
                $this->database->executeStatement('UPDATE plan SET state = ? WHERE id = ?', [PlanRecord::QUEUED, $id]);
            }

            return $ids;
        });
    }
}
