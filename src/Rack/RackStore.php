<?php

declare(strict_types=1);

namespace ZigLane\App\Rack;

use Doctrine\DBAL\LockMode;
use Doctrine\ORM\EntityManagerInterface;
use Doctrine\ORM\Query\Expr\Join;
use Psr\Log\LoggerInterface;
use Symfony\Component\Clock\ClockInterface;
use ZigLane\App\Entity\RackRecord;
use ZigLane\App\Entity\RackRevision;
use ZigLane\App\Upkeep\Perishable;
use ZigLane\App\View\SmallDrawing;
use ZigLane\Core\InvalidInput;
use ZigLane\Core\Rack\Files\JsonText;
use ZigLane\Core\Rack\Files\RackFile;
use ZigLane\Core\Rack\Rack;

/**
 * Keeps racks, every state of each, in the database. Nothing is stored that was not read back first.
 */
final class RackStore implements Perishable
{
    /** So many states can be undone. */
    private const MOST_REVISIONS = 500;

    /** Racks on one page of the list. */
    public const PAGE = 24;

    /** Days for which a deleted rack can be put back. */
    public const KEPT_DAYS = 30;

    public function __construct(
        private readonly EntityManagerInterface $entities,
        private readonly LoggerInterface $logger,
        private readonly ClockInterface $clock,
    ) {}

    /** @throws InvalidInput when it cannot be stored: its file is too large */
    public function create(Rack $rack, string $label = 'new rack'): RackRecord
    {
        $document = $this->document($rack);
        $now = $this->clock->now();
        $record = new RackRecord($rack->name, $now);
        $record->moveTo(1, $rack->name, $now);
        $this->entities->wrapInTransaction(function () use ($record, $rack, $label, $document, $now): void {
            $this->entities->persist($record);
            $revision = new RackRevision($record, 1, $label, $document, $now);
            $revision->draw(SmallDrawing::encode($rack));
            $this->entities->persist($revision);
        });

        return $record;
    }

    /**
     * @throws NoSuchRack
     * @throws DeletedRack
     * @throws DamagedRack when what is stored cannot be read
     */
    public function open(int $id): OpenRack
    {
        $record = $this->record($id);
        if (null !== $record->deletedAt()) {
            throw new DeletedRack($record);
        }
        $number = $record->present();
        $around = [];
        foreach ($this->entities->getRepository(RackRevision::class)->findBy(
            ['rack' => $record, 'number' => [$number - 1, $number, $number + 1]],
        ) as $revision) {
            $around[$revision->number()] = $revision;
        }
        $present = $around[$number] ?? null;

        return new OpenRack(
            $record,
            $this->read($record, $present),
            isset($around[$number - 1]) ? $present?->label() : null,
            ($around[$number + 1] ?? null)?->label(),
        );
    }

    /** @throws NoSuchRack */
    public function record(int $id): RackRecord
    {
        return $this->entities->find(RackRecord::class, $id) ?? throw new NoSuchRack("There is no rack $id.");
    }

    /** What is stored of a rack's present state, readable or not; null when it is missing. */
    public function raw(int $id): ?string
    {
        $record = $this->record($id);

        return $this->revision($record, $record->present())?->document();
    }

    /**
     * How many racks there are, and how many deleted ones.
     *
     * @return array{int, int}
     */
    public function counts(): array
    {
        /** @var array{string|int, string|int} $counts */
        $counts = $this->entities->getConnection()->fetchNumeric('SELECT COUNT(*) - COUNT(deleted_at), COUNT(deleted_at) FROM rack');

        return [(int) $counts[0], (int) $counts[1]];
    }

    /**
     * One page of the list, read with one query.
     *
     * @param int $page from 1
     *
     * @return list<RackCard> the newest change first
     */
    public function page(int $page = 1, bool $deleted = false): array
    {
        $rows = $this->entities->createQueryBuilder()
            ->select('r', 'v')->from(RackRecord::class, 'r')
            ->leftJoin(RackRevision::class, 'v', Join::WITH, 'v.rack = r AND v.number = r.present')
            ->where($deleted ? 'r.deletedAt IS NOT NULL' : 'r.deletedAt IS NULL')
            ->orderBy($deleted ? 'r.deletedAt' : 'r.updatedAt', 'DESC')->addOrderBy('r.id', 'DESC')
            ->setFirstResult(self::PAGE * (max(1, $page) - 1))->setMaxResults(self::PAGE)
            ->getQuery()->getResult();
        // The rows come as one list: each record, then its revision or null.
        $cards = [];
        $record = null;
        foreach (\is_array($rows) ? $rows : [] as $row) {
            if ($row instanceof RackRecord) {
                $record = $row;
            } elseif (null !== $record) {
                $cards[] = $this->card($record, $row instanceof RackRevision ? $row : null);
                $record = null;
            }
        }

        return $cards;
    }

    /**
     * Makes a new state the present one; what could be redone is dropped.
     *
     * @param int $version of the rack that the change was made on
     *
     * @throws StaleRack    when the rack has changed since
     * @throws InvalidInput when it cannot be stored: its file is too large
     */
    public function change(int $id, int $version, string $label, Rack $rack): void
    {
        $document = $this->document($rack);
        $drawing = SmallDrawing::encode($rack);
        $this->locked($id, $version, function (RackRecord $record) use ($label, $rack, $document, $drawing): void {
            $number = $record->present() + 1;
            $this->entities->createQuery(
                'DELETE FROM ' . RackRevision::class . ' v WHERE v.rack = :rack AND (v.number >= :number OR v.number <= :old)',
            )
                ->execute(['rack' => $record->id(), 'number' => $number, 'old' => $number - self::MOST_REVISIONS]);
            $now = $this->clock->now();
            $revision = new RackRevision($record, $number, mb_strimwidth($label, 0, 150, '…'), $document, $now);
            $revision->draw($drawing);
            $this->entities->persist($revision);
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
    public function step(int $id, int $version, int $by): bool
    {
        $moved = false;
        $this->locked($id, $version, function (RackRecord $record) use ($by, &$moved): void {
            $target = $this->revision($record, $record->present() + $by);
            if (null !== $target) {
                $record->moveTo($target->number(), $this->read($record, $target)->name, $this->clock->now());
                $moved = true;
            }
        });

        return $moved;
    }

    /**
     * Also for a damaged rack.
     *
     * @throws StaleRack when the rack has changed since
     */
    public function delete(int $id, int $version): void
    {
        $this->locked($id, $version, fn(RackRecord $r) => $r->delete($this->clock->now()));
    }

    public function restore(int $id): void
    {
        $this->record($id);
        $this->locked($id, null, static fn(RackRecord $r) => $r->restore());
    }

    /**
     * Removes for good what was deleted long ago.
     *
     * @return int how many
     */
    public function purge(\DateTimeImmutable $now): int
    {
        $removed = $this->entities->createQuery('DELETE FROM ' . RackRecord::class . ' r WHERE r.deletedAt < :old')
            ->execute(['old' => $now->modify(\sprintf('-%d days', self::KEPT_DAYS))]);

        return \is_int($removed) ? $removed : 0;
    }

    /** A rack as compact JSON. */
    public static function encode(Rack $rack): string
    {
        return json_encode(
            RackFile::write($rack),
            \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_UNICODE | \JSON_UNESCAPED_SLASHES | \JSON_PRESERVE_ZERO_FRACTION,
        );
    }

    /**
     * What is stored of a rack: checked by reading it, and small enough to be imported again.
     *
     * @throws InvalidInput
     */
    private function document(Rack $rack): string
    {
        $document = self::encode($rack);
        if (\strlen($document) > RackFile::LARGEST) {
            throw new InvalidInput(
                '',
                \sprintf('The rack would have a file of %d bytes (limit %d).', \strlen($document), RackFile::LARGEST),
            );
        }
        try {
            $again = self::encode(RackFile::read(JsonText::decode($document)));
        } catch (InvalidInput $e) {
            $again = $e->getMessage();
        }
        if ($again !== $document) {
            $this->logger->error('A rack would be read otherwise than it is written.', ['document' => $document, 'again' => $again]);

            throw new InvalidInput('', 'This rack cannot be stored: it would not be read as it is written. Nothing was changed.');
        }

        return $document;
    }

    /**
     * @param int|null                   $version null where it makes no difference
     * @param callable(RackRecord): void $work
     *
     * @throws NoSuchRack
     * @throws DeletedRack when it is not the same to a deleted rack
     * @throws StaleRack
     */
    private function locked(int $id, ?int $version, callable $work): void
    {
        $this->entities->wrapInTransaction(function () use ($id, $version, $work): void {
            $record = $this->entities->find(
                RackRecord::class,
                $id,
                LockMode::PESSIMISTIC_WRITE,
            ) ?? throw new NoSuchRack("There is no rack $id.");
            $this->entities->refresh($record);
            if (null !== $version) {
                if (null !== $record->deletedAt()) {
                    throw new DeletedRack($record);
                }
                if ($version !== $record->version()) {
                    throw new StaleRack('This rack was changed in another window since; here it is as it now stands.');
                }
            }
            $work($record);
        });
    }

    private function card(RackRecord $record, ?RackRevision $present): RackCard
    {
        try {
            $rack = $this->read($record, $present);
            $ways = null === $present?->drawing() ? null : SmallDrawing::decode($present->drawing());
            if (null === $ways && null !== $present) {
                // Stored by an earlier version: drawn once.
                $present->draw(SmallDrawing::encode($rack));
                $this->entities->flush();
                $ways = SmallDrawing::decode((string) $present->drawing());
            }

            return new RackCard($record, $rack, $ways ?? []);
        } catch (DamagedRack $e) {
            return new RackCard($record, null, [], $e->getMessage());
        }
    }

    private function revision(RackRecord $record, int $number): ?RackRevision
    {
        return $this->entities->getRepository(RackRevision::class)->findOneBy(['rack' => $record, 'number' => $number]);
    }

    /** @throws DamagedRack */
    private function read(RackRecord $record, ?RackRevision $revision): Rack
    {
        if (null === $revision) {
            $damage = new DamagedRack($record, null, 'Its present state is missing.');
        } else {
            try {
                return RackFile::read(JsonText::decode($revision->document(), \PHP_INT_MAX));
            } catch (InvalidInput $e) {
                $damage = new DamagedRack(
                    $record,
                    $revision->document(),
                    ('' === $e->path ? ucfirst($e->problem) : \sprintf('“%s” %s', $e->path, $e->problem)) . '.',
                );
            }
        }
        $this->logger->error(
            'A stored rack cannot be read.',
            ['rack' => $record->id(), 'revision' => $record->present(), 'why' => $damage->getMessage()],
        );

        throw $damage;
    }
}
