<?php

declare(strict_types=1);

namespace ZigLane\App\Entity;

use Doctrine\DBAL\Types\Types;
use Doctrine\ORM\Mapping as ORM;

/**
 * A table, a cue or a player that racks can use: its numbers as a JSON document, and the readings they came from.
 */
#[ORM\Entity]
#[ORM\Table(name: 'profile')]
#[ORM\UniqueConstraint(name: 'profile_name', columns: ['kind', 'taken'])]
#[ORM\Index(name: 'profile_list', columns: ['kind', 'deleted_at', 'name'])]
class Profile
{
    #[ORM\Id]
    #[ORM\GeneratedValue]
    #[ORM\Column(type: Types::INTEGER)]
    private int $id; // @phpstan-ignore property.onlyRead (Doctrine writes it)

    #[ORM\Column(type: Types::STRING, length: 10)]
    private string $kind;

    #[ORM\Column(type: Types::STRING, length: 80)]
    private string $name;

    /** The name while it is not deleted: among those of one kind a name is used once. */
    #[ORM\Column(type: Types::STRING, length: 80, nullable: true)]
    private ?string $taken; // @phpstan-ignore property.onlyWritten (the database's index reads it)

    #[ORM\Column(type: Types::TEXT, length: 16777215)]
    private string $document;

    #[ORM\Column(type: Types::DATETIME_IMMUTABLE)]
    private \DateTimeImmutable $updatedAt;

    #[ORM\Column(type: Types::DATETIME_IMMUTABLE, nullable: true)]
    private ?\DateTimeImmutable $deletedAt = null;

    public function __construct(string $kind, string $name, string $document, \DateTimeImmutable $now)
    {
        $this->kind = $kind;
        $this->name = $this->taken = $name;
        $this->document = $document;
        $this->updatedAt = $now;
    }

    public function id(): int
    {
        return $this->id;
    }

    public function kind(): string
    {
        return $this->kind;
    }

    public function name(): string
    {
        return $this->name;
    }

    public function document(): string
    {
        return $this->document;
    }

    public function updatedAt(): \DateTimeImmutable
    {
        return $this->updatedAt;
    }

    public function deletedAt(): ?\DateTimeImmutable
    {
        return $this->deletedAt;
    }

    public function change(string $name, string $document, \DateTimeImmutable $now): void
    {
        $this->name = $this->taken = $name;
        $this->document = $document;
        $this->updatedAt = $now;
    }

    public function delete(\DateTimeImmutable $now): void
    {
        $this->deletedAt = $now;
        $this->taken = null;
    }

    public function restore(): void
    {
        $this->deletedAt = null;
        $this->taken = $this->name;
    }
}
