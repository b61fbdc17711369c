<?php

declare(strict_types=1);

namespace ZigLane\App\Entity;

use Doctrine\DBAL\Types\Types;
use Doctrine\ORM\Mapping as ORM;

/**
 * A drill that was made or read in here. Written and read with plain SQL.
 */
#[ORM\Entity(readOnly: true)]
#[ORM\Table(name: 'own_drill')]
class OwnDrill
{
    /** Name in addresses: lower-case letters, digits and hyphens. */
    #[ORM\Id]
    #[ORM\Column(type: Types::STRING, length: 64, options: ['charset' => 'ascii', 'collation' => 'ascii_bin'])]
    public string $slug;

    /** As Core\Drills\Files\DrillFile writes it. */
    #[ORM\Column(type: Types::TEXT, length: 16777215)]
    public string $document;

    #[ORM\Column(type: Types::DATETIME_IMMUTABLE)]
    public \DateTimeImmutable $createdAt;

    #[ORM\Column(type: Types::DATETIME_IMMUTABLE, nullable: true)]
    public ?\DateTimeImmutable $deletedAt = null;
}
