<?php

declare(strict_types=1);

namespace ZigLane\App\Entity;

use Doctrine\DBAL\Types\Types;
use Doctrine\ORM\Mapping as ORM;

/**
 * A saved rack: which of its revisions is the present one, and when it was put aside.
 */
#[ORM\Entity]
#[ORM\Table(name: 'rack')]
#[ORM\Index(name: 'rack_list', columns: ['deleted_at', 'updated_at'])]
class RackRecord
{
    #[ORM\Id]
    #[ORM\GeneratedValue]
    #[ORM\Column(type: Types::INTEGER)]
    private int $id; // @phpstan-ignore property.onlyRead (Doctrine writes it)

    #[ORM\Column(type: Types::STRING, length: 120)]
    private string $name;

    /** Number of the present revision. */
    #[ORM\Column(type: Types::INTEGER)]
    private int $present = 0;

    /** Counts every change, undo and redo included: two windows on one rack notice each other by it. */
    #[ORM\Version]
    #[ORM\Column(type: Types::INTEGER)]
    private int $version = 1;

    #[ORM\Column(type: Types::DATETIME_IMMUTABLE)]
    private \DateTimeImmutable $createdAt;

    #[ORM\Column(type: Types::DATETIME_IMMUTABLE)]
    private \DateTimeImmutable $updatedAt;

    #[ORM\Column(type: Types::DATETIME_IMMUTABLE, nullable: true)]
    private ?\DateTimeImmutable $deletedAt = null;

    public function __construct(string $name, \DateTimeImmutable $now)
    {
        $this->name = $name;
        $this->createdAt = $now;
        $this->updatedAt = $now;
    }

    public function id(): int
    {
        return $this->id;
    }

    public function name(): string
    {
        return $this->name;
    }

    public function present(): int
    {
        return $this->present;
    }

    public function version(): int
    {
        return $this->version;
    }

    public function createdAt(): \DateTimeImmutable
    {
        return $this->createdAt;
    }

    public function updatedAt(): \DateTimeImmutable
    {
        return $this->updatedAt;
    }

    public function deletedAt(): ?\DateTimeImmutable
    {
        return $this->deletedAt;
    }

    public function moveTo(int $revision, string $name, \DateTimeImmutable $now): void
    {
        $this->present = $revision;
        $this->name = $name;
        $this->updatedAt = $now;
    }

    public function delete(\DateTimeImmutable $now): void
    {
        $this->deletedAt = $now;
    }

    public function restore(): void
    {
        $this->deletedAt = null;
    }
}
