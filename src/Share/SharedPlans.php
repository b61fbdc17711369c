<?php

declare(strict_types=1);

namespace ZigLane\App\Share;

use Doctrine\ORM\EntityManagerInterface;
use Symfony\Component\Clock\ClockInterface;
use ZigLane\App\Entity\PlanRecord;
use ZigLane\App\Entity\SharedPlan;
use ZigLane\App\Upkeep\Perishable;
use ZigLane\Core\InvalidInput;

/**
 * Plans that others can read by a link.
 */
final readonly class SharedPlans implements Perishable
{
    /** Days that a link lasts, to choose from; the first when none is chosen. */
    public const DAYS = [7, 1, 30];

    /** Links of one rack at most. */
    private const MOST = 20;

    public function __construct(private EntityManagerInterface $entities, private ClockInterface $clock) {}

    /** @throws InvalidInput when there is nothing to share, or too much is shared */
    public function share(PlanRecord $plan, int $days): SharedPlan
    {
        if (null === $plan->result() || $plan->isUnderWay()) {
            throw new InvalidInput('', 'This plan is not settled yet.');
        }
        if (\count($this->of($plan->rack()->id())) >= self::MOST) {
            throw new InvalidInput('', \sprintf('This rack has %d links already: take one back first.', self::MOST));
        }
        $now = $this->clock->now();
        $days = \in_array($days, self::DAYS, true) ? $days : self::DAYS[0];
        $shared = new SharedPlan($plan, $plan->result(), $now, $now->modify("+$days days"));
        $this->entities->persist($shared);
        $this->entities->flush();

        return $shared;
    }

    /**
     * @return list<SharedPlan> those that can be read, the newest first
     */
    public function of(int $rack): array
    {
        $now = $this->clock->now();
        $all = $this->entities->getRepository(SharedPlan::class)->findBy(['rack' => $rack], ['id' => 'DESC']);

        return array_values(array_filter($all, static fn(SharedPlan $shared): bool => $shared->until() > $now));
    }

    /** By its token; null when there is none, it was taken back, or its time is over. */
    public function find(string $token): ?SharedPlan
    {
        $shared = $this->entities->getRepository(SharedPlan::class)->findOneBy(['token' => $token]);

        return null === $shared || $shared->until() <= $this->clock->now() || null !== $shared->rack()->deletedAt() ? null : $shared;
    }

    /** Takes a link back. */
    public function takeBack(int $rack, int $id): void
    {
        foreach ($this->entities->getRepository(SharedPlan::class)->findBy(['rack' => $rack, 'id' => $id]) as $shared) {
            $this->entities->remove($shared);
        }
        $this->entities->flush();
    }

    /** Removes those whose time is over. */
    public function purge(\DateTimeImmutable $now): int
    {
        $removed = $this->entities->createQuery('DELETE FROM ' . SharedPlan::class . ' s WHERE s.until <= :now')->execute(['now' => $now]);

        return \is_int($removed) ? $removed : 0;
    }
}
