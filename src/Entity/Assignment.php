<?php

declare(strict_types=1);

namespace ZigLane\App\Entity;

use Doctrine\DBAL\Types\Types;
use Doctrine\ORM\Mapping as ORM;

/**
 * A drill or a rack that a coach sets a player. Written and read with plain SQL.
 */
#[ORM\Entity(readOnly: true)]
#[ORM\Table(name: 'assignment')]
#[ORM\Index(name: 'assignment_list', columns: ['closed_at', 'player'])]
class Assignment
{
    #[ORM\Id]
    #[ORM\GeneratedValue]
    #[ORM\Column(type: Types::INTEGER)]
    public int $id;

    #[ORM\Column(type: Types::STRING, length: 80)]
    public string $player;

    /** Name of the drill in addresses; null for a rack. */
    #[ORM\Column(type: Types::STRING, length: 64, nullable: true, options: ['charset' => 'ascii', 'collation' => 'ascii_bin'])]
    public ?string $drill = null;

    /** Number of the rack; null for a drill. */
    #[ORM\Column(type: Types::INTEGER, nullable: true)]
    public ?int $rackId = null;

    #[ORM\Column(type: Types::TEXT)]
    public string $note;

    #[ORM\Column(type: Types::DATE_IMMUTABLE, nullable: true)]
    public ?\DateTimeImmutable $due = null;

    #[ORM\Column(type: Types::DATETIME_IMMUTABLE)]
    public \DateTimeImmutable $assignedAt;

    /** When it was done with. */
    #[ORM\Column(type: Types::DATETIME_IMMUTABLE, nullable: true)]
    public ?\DateTimeImmutable $closedAt = null;
}
