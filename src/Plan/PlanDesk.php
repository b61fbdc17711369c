<?php

declare(strict_types=1);

namespace ZigLane\App\Plan;

use Doctrine\DBAL\LockMode;
use Doctrine\ORM\EntityManagerInterface;
use ZigLane\App\Entity\PlanRecord;
use ZigLane\App\Entity\RackRecord;
use ZigLane\App\Rack\OpenRack;
use ZigLane\App\Rack\RackStore;
use ZigLane\Core\InvalidInput;
use ZigLane\Core\Rack\JsonText;
use ZigLane\Core\Rack\RackFile;
use ZigLane\Core\RunOut\Pins;
use ZigLane\Core\RunOut\PinsFile;
use ZigLane\Core\RunOut\PlanSearch;

/**
 * Takes orders for plans and hands them out. The work itself is done by workers, see PlanQueue.
 */
final class PlanDesk
{
    /** So many plans of a rack are kept. */
    private const KEPT = 20;

    public function __construct(private readonly EntityManagerInterface $entities) {}

    /**
     * A plan for a rack as it stands; one that is under way or done already, if it is the same.
     *
     * @param bool $again plan it anew even when it is done already
     */
    public function ask(OpenRack $open, Pins $pins, bool $again = false, ?float $budget = null): PlanRecord
    {
        $budget ??= PlanSearch::budget($open->rack);
        // The name and legs that are not kept make no difference to a plan.
        $document = RackStore::encode($open->rack->withLegs(\array_slice($open->rack->legs, 0, $pins->keep)));
        $pinned = json_encode(PinsFile::write($pins, $open->rack), \JSON_THROW_ON_ERROR);
        $same = self::key($open, $pins);

        return $this->entities->wrapInTransaction(function () use ($open, $same, $document, $pinned, $again, $budget): PlanRecord {
            // Two requests at once for the same: the second waits here and then finds the first one's order.
            $rack = $this->entities->find(RackRecord::class, $open->record->id(), LockMode::PESSIMISTIC_WRITE) ?? throw new InvalidInput('rack', 'is gone');
            foreach ($this->entities->getRepository(PlanRecord::class)->findBy(['rack' => $rack, 'sameAs' => $same], ['id' => 'DESC'], 5) as $known) {
                if ($known->isUnderWay() || (!$again && PlanRecord::DONE === $known->state())) {
                    return $known;
                }
            }
            $plan = new PlanRecord($rack, $same, $document, $pinned, $budget, new \DateTimeImmutable());
            $this->entities->persist($plan);
            $this->entities->flush();
            $this->entities->createQuery('DELETE FROM ' . PlanRecord::class . ' p WHERE p.rack = :rack AND p.id <= :old AND p.state NOT IN (:open)')
                ->execute(['rack' => $rack->id(), 'old' => $this->oldest($rack), 'open' => [PlanRecord::QUEUED, PlanRecord::RUNNING]]);

            return $plan;
        });
    }

    /** What two orders for the same plan have in common. */
    public static function key(OpenRack $open, Pins $pins): string
    {
        $rack = $open->rack->withLegs(\array_slice($open->rack->legs, 0, $pins->keep))->named('-');

        return hash('sha256', RackStore::encode($rack) . json_encode(PinsFile::write($pins, $rack), \JSON_THROW_ON_ERROR));
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

    /** Asks the worker to leave it at what it has. */
    public function stop(PlanRecord $plan): void
    {
        $this->entities->getConnection()->executeStatement(
            'UPDATE plan SET stop_asked = 1, state = IF(state = ?, ?, state) WHERE id = ?',
            [PlanRecord::QUEUED, PlanRecord::STOPPED, $plan->id()],
        );
        $this->entities->refresh($plan);
    }

    /** What was pinned when a plan was asked for. */
    public static function pinsOf(PlanRecord $plan): Pins
    {
        return PinsFile::read(json_decode($plan->pins(), true, 16, \JSON_THROW_ON_ERROR), RackFile::read(JsonText::decode($plan->document(), \PHP_INT_MAX)));
    }

    private function oldest(RackRecord $rack): int
    {
        $ids = $this->entities->createQuery('SELECT p.id FROM ' . PlanRecord::class . ' p WHERE p.rack = :rack ORDER BY p.id DESC')
            ->setParameter('rack', $rack->id())->setFirstResult(self::KEPT)->setMaxResults(1)->getSingleColumnResult();

        return \is_int($ids[0] ?? null) ? $ids[0] : 0;
    }
}
