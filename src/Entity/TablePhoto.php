<?php

declare(strict_types=1);

namespace ZigLane\App\Entity;

use Doctrine\DBAL\Types\Types;
use Doctrine\ORM\Mapping as ORM;

/**
 * The picture that a rack is laid out from. It goes when the balls are taken over, unless it is to be kept.
 * Written and read with plain SQL.
 */
#[ORM\Entity(readOnly: true)]
#[ORM\Table(name: 'table_photo')]
class TablePhoto
{
    #[ORM\Id]
    #[ORM\OneToOne(targetEntity: RackRecord::class)]
    #[ORM\JoinColumn(name: 'rack_id', nullable: false, onDelete: 'CASCADE')]
    public RackRecord $rack;

    /** A JPEG without anything that a camera writes beside the picture. */
    #[ORM\Column(type: Types::BLOB, length: 16777215)]
    public string $picture;

    #[ORM\Column(type: Types::BOOLEAN)]
    public bool $kept;

    #[ORM\Column(type: Types::DATETIME_IMMUTABLE)]
    public \DateTimeImmutable $createdAt;
}
