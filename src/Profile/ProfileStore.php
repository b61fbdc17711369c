<?php

declare(strict_types=1);

namespace ZigLane\App\Profile;

use Doctrine\DBAL\Exception\UniqueConstraintViolationException;
use Doctrine\ORM\EntityManagerInterface;
use Doctrine\Persistence\ManagerRegistry;
use Symfony\Component\Clock\ClockInterface;
use ZigLane\App\Entity\Profile;
use ZigLane\App\Upkeep\Perishable;
use ZigLane\Core\Equipment\CueSpec;
use ZigLane\Core\Equipment\Table;
use ZigLane\Core\InvalidInput;
use ZigLane\Core\Player\Player;
use ZigLane\Core\Rack\Files\EquipmentFields;
use ZigLane\Core\Rack\Files\Fields;
use ZigLane\Core\Rack\Files\JsonText;
use ZigLane\Core\Rack\Files\PlayerFields;

/**
 * Keeps profiles in the database. Among those of one kind that are not deleted a name is used once.
 */
final class ProfileStore implements Perishable
{
    public const LONGEST_NAME = 80;

    public function __construct(
        private readonly EntityManagerInterface $entities,
        private readonly ManagerRegistry $managers,
        private readonly ClockInterface $clock,
    ) {}

    /**
     * @return list<Profile> by name
     */
    public function all(ProfileKind $kind, bool $deleted = false): array
    {
        $query = $this->entities->createQueryBuilder()
            ->select('p')->from(Profile::class, 'p')
            ->where('p.kind = :kind')
            ->andWhere($deleted ? 'p.deletedAt IS NOT NULL' : 'p.deletedAt IS NULL')
            ->orderBy('p.name')->addOrderBy('p.id')
            ->setParameter('kind', $kind->value)->setMaxResults(200);
        /** @var list<Profile> $found */
        $found = $query->getQuery()->getResult();

        return $found;
    }

    /**
     * @return array<string, list<Profile>> by kind
     */
    public function names(): array
    {
        $lists = [];
        foreach (ProfileKind::cases() as $kind) {
            $lists[$kind->value] = $this->all($kind);
        }

        return $lists;
    }

    public function find(int $id): ?Profile
    {
        return $this->entities->find(Profile::class, $id);
    }

    /**
     * @param array<string, mixed> $document
     *
     * @throws InvalidInput when the name is empty, too long or taken
     */
    public function save(?Profile $profile, ProfileKind $kind, string $name, array $document): Profile
    {
        $name = trim(preg_replace('/[\x00-\x1f\x7f]+/u', ' ', $name) ?? '');
        if ('' === $name) {
            throw new InvalidInput('name', 'a profile needs a name');
        }
        if (mb_strlen($name) > self::LONGEST_NAME) {
            throw new InvalidInput('name', \sprintf('has %d characters (limit %d)', mb_strlen($name), self::LONGEST_NAME));
        }
        $other = $this->entities->getRepository(Profile::class)->findOneBy(['kind' => $kind->value, 'taken' => $name]);
        if (null !== $other && $other !== $profile) {
            throw new InvalidInput('name', \sprintf('there is a %s called "%s" already', $kind->value, $other->name()));
        }
        $text = json_encode($document, \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_UNICODE | \JSON_PRESERVE_ZERO_FRACTION);
        $now = $this->clock->now();
        if (null === $profile) {
            $profile = new Profile($kind->value, $name, $text, $now);
            $this->entities->persist($profile);
        } else {
            $profile->change($name, $text, $now);
        }
        $this->flush($kind->value, $name);

        return $profile;
    }

    public function delete(Profile $profile): void
    {
        $profile->delete($this->clock->now());
        $this->entities->flush();
    }

    /** @throws InvalidInput when its name was taken meanwhile */
    public function restore(Profile $profile): void
    {
        $profile->restore();
        $this->flush($profile->kind(), $profile->name());
    }

    /**
     * The database holds that a name is used once, however many ask at once.
     *
     * @throws InvalidInput
     */
    private function flush(string $kind, string $name): void
    {
        try {
            $this->entities->flush();
        } catch (UniqueConstraintViolationException) {
            // Doctrine closes its manager when the database refuses; the page that says so needs another.
            $this->managers->resetManager();

            throw new InvalidInput('name', \sprintf('there is a %s called "%s" already', $kind, $name));
        }
    }

    /** Removes for good what was deleted long ago. */
    public function purge(\DateTimeImmutable $now): int
    {
        $removed = $this->entities->createQuery('DELETE FROM ' . Profile::class . ' p WHERE p.deletedAt < :old')
            ->execute(['old' => $now->modify('-30 days')]);

        return \is_int($removed) ? $removed : 0;
    }

    public function table(Profile $profile): Table
    {
        return EquipmentFields::table($this->fields($profile)->object('table'))[0]->named($profile->name());
    }

    public function cue(Profile $profile): CueSpec
    {
        return EquipmentFields::cue($this->fields($profile)->object('cue'))[0]->named($profile->name());
    }

    public function player(Profile $profile): Player
    {
        return PlayerFields::read($this->fields($profile)->object('player'))->named($profile->name());
    }

    /**
     * @return array<array-key, mixed> the readings it was fitted from, as Sheet::read takes them; empty when it was typed
     */
    public function sheet(Profile $profile): array
    {
        $document = json_decode($profile->document(), true, 16);
        $sheet = \is_array($document) ? ($document['sheet'] ?? []) : [];

        return \is_array($sheet) ? $sheet : [];
    }

    private function fields(Profile $profile): Fields
    {
        return new Fields(JsonText::decode($profile->document(), \PHP_INT_MAX), '');
    }
}
