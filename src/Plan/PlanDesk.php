<?php

declare(strict_types=1);

namespace ZigLane\App\Plan;

use Doctrine\DBAL\LockMode;
use Doctrine\ORM\EntityManagerInterface;
use Symfony\Component\Clock\ClockInterface;
use ZigLane\App\Entity\PlanRecord;
use ZigLane\App\Entity\RackRecord;
use ZigLane\App\Http\TooMany;
use ZigLane\App\Rack\OpenRack;
use ZigLane\App\Rack\RackStore;
use ZigLane\App\Upkeep\Perishable;
use ZigLane\Core\Files\ConstraintsFile;
use ZigLane\Core\InvalidInput;
use ZigLane\Core\Planning\PlanConstraints;

/**
 * Takes orders for plans. The work itself is done by workers: see Turns for whose plan is next, PlanRackHandler for the work.
 */
final class PlanDesk implements Perishable
{
    /** So many plans of a rack are kept. */
    private const KEPT = 20;

    /** So many plans of one visitor, and of one rack, may wait at once; and of all together. */
    private const MOST_OF_VISITOR = 6;
    private const MOST_OF_RACK = 8;
    private const MOST = 60;

    public function __construct(
        private readonly EntityManagerInterface $entities,
        private readonly PlanLedger $ledger,
        private readonly Turns $turns,
        private readonly ClockInterface $clock,
    ) {}

    /**
     * A plan for a rack as it stands; one that is under way or done already, if it is the same.
     *
     * @param bool $again plan it anew even when it is done already
     *
     * @throws TooMany when this visitor, this rack or all together have too many waiting
     */
    public function ask(OpenRack $open, PlanConstraints $pins, string $visitor, bool $again = false): PlanRecord
    {
        // The name and legs that are not kept make no difference to a plan.
        $document = RackStore::encode($open->rack->withLegs(\array_slice($open->rack->legs, 0, $pins->keep)));
        $pinned = json_encode(ConstraintsFile::write($pins, $open->rack), \JSON_THROW_ON_ERROR);
        $same = self::key($open, $pins);

        $plan = $this->entities->wrapInTransaction(function () use (
            $open,
            $same,
            $document,
            $pinned,
            $visitor,
            $again,
        ): PlanRecord {
            // Two requests at once for the same: the second waits here and then finds the first one's order.
            $rack = $this->entities->find(
                RackRecord::class,
                $open->record->id(),
                LockMode::PESSIMISTIC_WRITE,
            ) ?? throw new InvalidInput('rack', 'is gone');
            foreach ($this->entities->getRepository(PlanRecord::class)->findBy(
                ['rack' => $rack, 'sameAs' => $same],
                ['id' => 'DESC'],
                5,
            ) as $known) {
                if ($known->isUnderWay() || (!$again && PlanRecord::DONE === $known->state() && StoredPlan::isReadable($known))) {
                    return $known;
                }
            }
            $this->assertRoom($rack->id(), $visitor);
            $plan = new PlanRecord($rack, $same, $document, $pinned, $visitor, $this->clock->now());
            $this->entities->persist($plan);
            $this->entities->flush();
            $this->entities->createQuery(
                'DELETE FROM ' . PlanRecord::class . ' p WHERE p.rack = :rack AND p.id <= :old AND p.state NOT IN (:open)',
            )
                ->execute(['rack' => $rack->id(), 'old' => $this->oldest($rack), 'open' => PlanRecord::UNDER_WAY]);

            return $plan;
        });
        $this->turns->handOut();
        $this->entities->refresh($plan);

        return $plan;
    }

    /** @throws TooMany */
    private function assertRoom(int $rack, string $visitor): void
    {
        $waiting = $this->entities->getConnection()->fetchAssociative(
            'SELECT COUNT(*) AS everything, SUM(visitor = ?) AS visitor, SUM(rack_id = ?) AS rack FROM plan WHERE state IN (?, ?, ?)',
            [$visitor, $rack, ...PlanRecord::UNDER_WAY],
        ) ?: [];
        foreach (['visitor' => self::MOST_OF_VISITOR, 'rack' => self::MOST_OF_RACK, 'everything' => self::MOST] as $what => $most) {
            $many = is_numeric($waiting[$what] ?? null) ? (int) $waiting[$what] : 0;
            if ($many >= $most) {
                throw new TooMany(match ($what) {
                    'visitor' => \sprintf('You have %d plans under way; ask again when one of them is done, or stop one.', $many),
                    'rack' => \sprintf('%d plans of this rack are under way; ask again when one of them is done.', $many),
                    default => \sprintf('%d plans are under way for everybody; ask again in a few minutes.', $many),
                });
            }
        }
    }

    /** Plans that come before this one, as turns are taken; 0 when it is being worked on or is done. */
    public function ahead(PlanRecord $plan): int
    {
        if (!\in_array($plan->state(), [PlanRecord::WAITING, PlanRecord::QUEUED], true)) {
            return 0;
        }
        /** @var list<array{id: int, visitor: string}> $all */
        $all = $this->entities->getConnection()->fetchAllAssociative(
            'SELECT id, visitor FROM plan WHERE state IN (?, ?, ?) ORDER BY id',
            PlanRecord::UNDER_WAY,
        );
        $turn = $turns = [];
        foreach ($all as $row) {
            $turn[$row['visitor']] = ($turn[$row['visitor']] ?? 0) + 1;
            $turns[$row['id']] = $turn[$row['visitor']];
        }
        $mine = $turns[$plan->id()] ?? 0;

        return \count(
            array_filter(
                $turns,
                static fn(int $t, int $id): bool => $t < $mine || ($t === $mine && $id < $plan->id()),
                \ARRAY_FILTER_USE_BOTH,
            ),
        );
    }

    /** What two orders for the same plan have in common. */
    public static function key(OpenRack $open, PlanConstraints $pins): string
    {
        $rack = $open->rack->withLegs(\array_slice($open->rack->legs, 0, $pins->keep))->named('-');

        return hash('sha256', RackStore::encode($rack) . json_encode(ConstraintsFile::write($pins, $rack), \JSON_THROW_ON_ERROR));
    }

    public function find(int $rack, int $plan): ?PlanRecord
    {
        $found = $this->entities->find(PlanRecord::class, $plan);

        return null === $found || $found->rack()->id() !== $rack ? null : $found;
    }

    public function latest(int $rack): ?PlanRecord
    {
        return $this->all($rack, 1)[0] ?? null;
    }

    /**
     * @return list<PlanRecord> the newest first
     */
    public function all(int $rack, int $most = self::KEPT): array
    {
        return $this->entities->getRepository(PlanRecord::class)->findBy(['rack' => $rack], ['id' => 'DESC'], $most);
    }

    /** Leaves it at what it has. */
    public function stop(PlanRecord $plan): void
    {
        $this->ledger->stop($plan->id());
        $this->turns->handOut();
        $this->entities->refresh($plan);
    }

    /** Plans of long ago go, and so does what failed. */
    public function purge(\DateTimeImmutable $now): int
    {
        $old = 'DELETE FROM ' . PlanRecord::class . ' p WHERE p.createdAt < :old AND p.state NOT IN (:open)';
        $removed = $this->entities->createQuery($old)
            ->execute(['old' => $now->modify('-180 days'), 'open' => PlanRecord::UNDER_WAY]);

        return \is_int($removed) ? $removed : 0;
    }

    private function oldest(RackRecord $rack): int
    {
        $ids = $this->entities->createQuery('SELECT p.id FROM ' . PlanRecord::class . ' p WHERE p.rack = :rack ORDER BY p.id DESC')
            ->setParameter('rack', $rack->id())->setFirstResult(self::KEPT)->setMaxResults(1)->getSingleColumnResult();

        return \is_int($ids[0] ?? null) ? $ids[0] : 0;
    }
}
