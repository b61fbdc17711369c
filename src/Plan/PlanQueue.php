<?php

declare(strict_types=1);

namespace ZigLane\App\Plan;

use Doctrine\DBAL\Connection;
use ZigLane\App\Entity\PlanRecord;

/**
 * The workers' side of the plans. A worker holds a lock of the database's by the plan's number while it plans; when it dies,
 * its connection ends and with it the lock, and another worker takes the plan up. Nothing depends on clocks.
 */
final class PlanQueue
{
    /** A plan that has ended its worker so often is given up. */
    private const MOST_ATTEMPTS = 4;

    public function __construct(private readonly Connection $database) {}

    /**
     * Takes the oldest plan that waits, or whose worker has died.
     *
     * @return array{id: int, document: string, pins: string, budget: float}|null
     */
    public function take(string $worker): ?array
    {
        return $this->database->transactional(function () use ($worker): ?array {
            $row = $this->database->fetchAssociative(
                "SELECT id, document, pins, budget, attempts FROM plan
                 WHERE state = 'queued' OR (state = 'running' AND IS_FREE_LOCK(CONCAT('zig-lane-plan-', id)) = 1)
                 ORDER BY state = 'running' DESC, id LIMIT 1 FOR UPDATE SKIP LOCKED",
            );
            if (false === $row || !\is_int($row['id']) || 1 !== $this->database->fetchOne('SELECT GET_LOCK(?, 0)', ['zig-lane-plan-' . $row['id']])) {
                return null;
            }
            if ($row['attempts'] >= self::MOST_ATTEMPTS) {
                $this->database->executeStatement('UPDATE plan SET state = ?, problem = ? WHERE id = ?', [PlanRecord::FAILED, 'Planning this rack ended its worker several times. Change something and ask again.', $row['id']]);
                $this->release($row['id']);

                return null;
            }
            $this->database->executeStatement('UPDATE plan SET state = ?, worker = ?, attempts = attempts + 1 WHERE id = ?', [PlanRecord::RUNNING, $worker, $row['id']]);

            return [
                'id' => $row['id'],
                'document' => \is_string($row['document']) ? $row['document'] : '',
                'pins' => \is_string($row['pins']) ? $row['pins'] : '',
                'budget' => is_numeric($row['budget']) ? (float) $row['budget'] : 0.0,
            ];
        });
    }

    /**
     * Stores the best so far.
     *
     * @return bool false when it is to be left: stopping was asked for, or another worker has it
     */
    public function keep(int $id, string $worker, string $result, float $seconds): bool
    {
        $mine = $this->database->executeStatement('UPDATE plan SET result = ?, seconds = ? WHERE id = ? AND worker = ? AND state = ?', [$result, $seconds, $id, $worker, PlanRecord::RUNNING]);

        return $mine > 0 && !$this->database->fetchOne('SELECT stop_asked FROM plan WHERE id = ?', [$id]);
    }

    /** Ends it. */
    public function end(int $id, string $worker, ?string $problem = null): void
    {
        $this->database->executeStatement(
            'UPDATE plan SET state = IF(? IS NOT NULL, ?, IF(stop_asked, ?, ?)), problem = ? WHERE id = ? AND worker = ? AND state = ?',
            [$problem, PlanRecord::FAILED, PlanRecord::STOPPED, PlanRecord::DONE, null === $problem ? null : mb_strimwidth($problem, 0, 300, '…'), $id, $worker, PlanRecord::RUNNING],
        );
        $this->release($id);
    }

    private function release(int $id): void
    {
        $this->database->fetchOne('SELECT RELEASE_LOCK(?)', ["zig-lane-plan-$id"]);
    }
}
