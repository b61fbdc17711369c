<?php

declare(strict_types=1);

namespace ZigLane\App\Rack;

use Doctrine\DBAL\LockMode;
use Doctrine\ORM\EntityManagerInterface;
use ZigLane\App\Entity\RackRecord;
use ZigLane\App\Entity\RackRevision;
use ZigLane\Core\InvalidInput;
use ZigLane\Core\Rack\JsonText;
use ZigLane\Core\Rack\Rack;
use ZigLane\Core\Rack\RackFile;

/**
 * Keeps racks, every state of each, in the database.
 */
final class RackStore
{
    /** So many states can be undone. */
    private const MOST_REVISIONS = 500;

    public function __construct(private readonly EntityManagerInterface $entities) {}

    public function create(Rack $rack, string $label = 'new rack'): RackRecord
    {
        $now = self::now();
        $record = new RackRecord($rack->name, $now);
        $record->moveTo(1, $rack->name, $now);
        $this->entities->wrapInTransaction(function () use ($record, $rack, $label, $now): void {
            $this->entities->persist($record);
            $this->entities->persist(new RackRevision($record, 1, $label, self::encode($rack), $now));
        });

        return $record;
    }

    public function find(int $id): ?OpenRack
    {
        $record = $this->entities->find(RackRecord::class, $id);

        return null === $record ? null : $this->open($record);
    }

    /**
     * @return list<OpenRack> the newest change first
     */
    public function all(bool $deleted = false): array
    {
        $query = $this->entities->createQueryBuilder()
            ->select('r')->from(RackRecord::class, 'r')
            ->where($deleted ? 'r.deletedAt IS NOT NULL' : 'r.deletedAt IS NULL')
            ->orderBy($deleted ? 'r.deletedAt' : 'r.updatedAt', 'DESC')->addOrderBy('r.id', 'DESC')
            ->setMaxResults(200);
        /** @var list<RackRecord> $records */
        $records = $query->getQuery()->getResult();

        return array_map($this->open(...), $records);
    }

    /**
     * Makes a new state the present one; what could be redone is dropped.
     *
     * @param int|null $version of the rack that the change was made on; null to not care
     *
     * @throws StaleRack when the rack has changed since
     */
    public function change(int $id, ?int $version, string $label, Rack $rack): void
    {
        $this->locked($id, $version, function (RackRecord $record) use ($label, $rack): void {
            $number = $record->present() + 1;
            $this->entities->createQuery('DELETE FROM ' . RackRevision::class . ' v WHERE v.rack = :rack AND (v.number >= :number OR v.number <= :old)')
                ->execute(['rack' => $record->id(), 'number' => $number, 'old' => $number - self::MOST_REVISIONS]);
            $now = self::now();
            $this->entities->persist(new RackRevision($record, $number, mb_strimwidth($label, 0, 150, '…'), self::encode($rack), $now));
            $record->moveTo($number, $rack->name, $now);
        });
    }

    /**
     * @param int $by −1 to undo, 1 to redo
     *
     * @return bool whether there was anything to go to
     *
     * @throws StaleRack when the rack has changed since
     */
    public function step(int $id, ?int $version, int $by): bool
    {
        $moved = false;
        $this->locked($id, $version, function (RackRecord $record) use ($by, &$moved): void {
            $target = $this->revision($record, $record->present() + $by);
            if (null !== $target) {
                $record->moveTo($target->number(), self::decode($target)->name, self::now());
                $moved = true;
            }
        });

        return $moved;
    }

    public function delete(int $id): void
    {
        $this->locked($id, null, static fn(RackRecord $r) => $r->delete(self::now()));
    }

    public function restore(int $id): void
    {
        $this->locked($id, null, static fn(RackRecord $r) => $r->restore());
    }

    public static function encode(Rack $rack, int $flags = 0): string
    {
        return json_encode(RackFile::write($rack), \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_UNICODE | \JSON_UNESCAPED_SLASHES | \JSON_PRESERVE_ZERO_FRACTION | $flags);
    }

    /**
     * @param callable(RackRecord): void $work
     */
    private function locked(int $id, ?int $version, callable $work): void
    {
        $this->entities->wrapInTransaction(function () use ($id, $version, $work): void {
            $record = $this->entities->find(RackRecord::class, $id, LockMode::PESSIMISTIC_WRITE);
            if (null === $record) {
                throw new InvalidInput('rack', "there is no rack $id");
            }
            $this->entities->refresh($record);
            if (null !== $version && $version !== $record->version()) {
                throw new StaleRack('This rack was changed in another window since; here it is as it now stands.');
            }
            $work($record);
        });
    }

    private function open(RackRecord $record): OpenRack
    {
        $number = $record->present();
        $around = [];
        foreach ($this->entities->getRepository(RackRevision::class)->findBy(['rack' => $record, 'number' => [$number - 1, $number, $number + 1]]) as $revision) {
            $around[$revision->number()] = $revision;
        }
        $present = $around[$number] ?? throw new \LogicException('A rack without its present state.');

        return new OpenRack(
            $record,
            self::decode($present),
            isset($around[$number - 1]) ? $present->label() : null,
            ($around[$number + 1] ?? null)?->label(),
        );
    }

    private function revision(RackRecord $record, int $number): ?RackRevision
    {
        return $this->entities->getRepository(RackRevision::class)->findOneBy(['rack' => $record, 'number' => $number]);
    }

    private static function decode(RackRevision $revision): Rack
    {
        return RackFile::read(JsonText::decode($revision->document(), \PHP_INT_MAX));
    }

    private static function now(): \DateTimeImmutable
    {
        return new \DateTimeImmutable();
    }
}
