<?php

declare(strict_types=1);

namespace ZigLane\App\Work;

use Doctrine\DBAL\Connection;
use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Symfony\Component\Messenger\Bridge\Doctrine\Transport\DoctrineTransport;
use Symfony\Component\Messenger\Envelope;
use Symfony\Component\Messenger\Stamp\ErrorDetailsStamp;
use Symfony\Component\Messenger\Stamp\RedeliveryStamp;
use Symfony\Component\Messenger\Stamp\TransportMessageIdStamp;
use ZigLane\App\Plan\PlanLedger;
use ZigLane\App\Plan\PlanRack;
use ZigLane\App\Plan\Turns;
use ZigLane\App\Upkeep\Perishable;

/**
 * What the workers gave up: Messenger's failure transport, as a person sees it.
 */
final readonly class FailedWork implements Perishable
{
    /** So many are shown, and kept by purge(). */
    private const MOST = 50;
    private const KEPT_DAYS = 30;

    public function __construct(
        #[Autowire(service: 'messenger.transport.failed')]
        private DoctrineTransport $failed,
        private Connection $database,
        private PlanLedger $plans,
        private Turns $turns,
    ) {}

    public function count(): int
    {
        return $this->failed->getMessageCount();
    }

    /**
     * @return list<FailedItem> the newest first
     */
    public function all(): array
    {
        $items = [];
        foreach ($this->failed->all(self::MOST) as $envelope) {
            $message = $envelope->getMessage();
            $plan = $message instanceof PlanRack ? $this->plan($message->plan) : null;
            $items[] = new FailedItem(
                self::id($envelope),
                null === $plan ? null : $plan['rack'],
                null === $plan ? null : $plan['name'],
                $message instanceof PlanRack ? $message->plan : null,
                $envelope->last(ErrorDetailsStamp::class)?->getExceptionMessage() ?? 'The log says why.',
                $envelope->last(RedeliveryStamp::class)?->getRedeliveredAt(),
            );
        }

        return array_reverse($items);
    }

    /**
     * Gives a plan to the workers once more.
     *
     * @return array{rack: int, plan: int}|null null when there is nothing to plan again
     */
    public function retry(int $id): ?array
    {
        $envelope = $this->failed->find($id);
        $message = $envelope?->getMessage();
        $plan = $message instanceof PlanRack ? $this->plan($message->plan) : null;
        if (null === $envelope || !$message instanceof PlanRack || null === $plan) {
            return null;
        }
        $this->database->transactional(function () use ($envelope, $message): void {
            $this->plans->restart($message->plan);
            $this->failed->reject($envelope);
        });
        $this->turns->handOut();

        return ['rack' => $plan['rack'], 'plan' => $message->plan];
    }

    public function drop(int $id): void
    {
        $envelope = $this->failed->find($id);
        if (null !== $envelope) {
            $this->failed->reject($envelope);
        }
    }

    /** Removes what failed long ago, and all beyond the newest. */
    public function purge(\DateTimeImmutable $now): int
    {
        $old = $now->setTimezone(new \DateTimeZone('UTC'))->modify(\sprintf('-%d days', self::KEPT_DAYS))->format('Y-m-d H:i:s');
        $removed = (int) $this->database->executeStatement("DELETE FROM message WHERE queue_name = 'failed' AND created_at < ?", [$old]);
        $last = $this->database->fetchOne(
            "SELECT id FROM message WHERE queue_name = 'failed' ORDER BY id DESC LIMIT 1 OFFSET " . self::MOST,
        );
        if (false !== $last) {
            $removed += (int) $this->database->executeStatement("DELETE FROM message WHERE queue_name = 'failed' AND id <= ?", [$last]);
        }

        return $removed;
    }

    /**
     * @return array{rack: int, name: string}|null null for a plan that is gone, or whose rack was deleted
     */
    private function plan(int $id): ?array
    {
        $row = $this->database->fetchAssociative(
            'SELECT r.id, r.name FROM plan p JOIN rack r ON r.id = p.rack_id WHERE p.id = ? AND r.deleted_at IS NULL',
            [$id],
        );

        return false === $row || !is_numeric($row['id']) || !\is_string($row['name']) ? null : [
            'rack' => (int) $row['id'],
            'name' => $row['name'],
        ];
    }

    private static function id(Envelope $envelope): int
    {
        $id = $envelope->last(TransportMessageIdStamp::class)?->getId();

        return is_numeric($id) ? (int) $id : 0;
    }
}
