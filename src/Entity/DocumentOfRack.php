<?php

declare(strict_types=1);

namespace ZigLane\App\Entity;

use Doctrine\DBAL\Types\Types;
use Doctrine\ORM\Mapping as ORM;

/**
 * What is kept of a rack as it was at some time: the rack file's text, whose rack, and since when.
 */
trait DocumentOfRack
{
    #[ORM\Id]
    #[ORM\GeneratedValue]
    #[ORM\Column(type: Types::INTEGER)]
    private int $id; // @phpstan-ignore property.onlyRead (Doctrine writes it)

    #[ORM\ManyToOne(targetEntity: RackRecord::class)]
    #[ORM\JoinColumn(nullable: false, onDelete: 'CASCADE')]
    private RackRecord $rack;

    /** The rack as it then was. */
    #[ORM\Column(type: Types::TEXT, length: 16777215)]
    private string $document;

    #[ORM\Column(type: Types::DATETIME_IMMUTABLE)]
    private \DateTimeImmutable $createdAt;

    public function id(): int
    {
        return $this->id;
    }

    public function rack(): RackRecord
    {
        return $this->rack;
    }

    public function document(): string
    {
        return $this->document;
    }

    public function createdAt(): \DateTimeImmutable
    {
        return $this->createdAt;
    }
}
