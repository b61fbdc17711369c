<?php

declare(strict_types=1);

namespace ZigLane\App\Entity;

use Doctrine\DBAL\Types\Types;
use Doctrine\ORM\Mapping as ORM;

/**
 * A rack, or two ways to play a shot, that a player was asked to choose at; and what was chosen. Written and read with plain SQL.
 */
#[ORM\Entity(readOnly: true)]
#[ORM\Table(name: 'posed_choice')]
#[ORM\Index(name: 'posed_choice_list', columns: ['player', 'answered_at'])]
class PosedChoice
{
    #[ORM\Id]
    #[ORM\GeneratedValue]
    #[ORM\Column(type: Types::INTEGER)]
    public int $id;

    /** As Choice\PosedKind has it. */
    #[ORM\Column(type: Types::STRING, length: 8, options: ['charset' => 'ascii', 'collation' => 'ascii_bin'])]
    public string $kind;

    /** Name of the player. */
    #[ORM\Column(type: Types::STRING, length: 80)]
    public string $player;

    /** How it was asked for, as JSON: the next one is asked for so again. */
    #[ORM\Column(type: Types::TEXT)]
    public string $wish;

    /** The rack as Core\Rack\Files\RackFile writes it; of two ways also their shots. */
    #[ORM\Column(type: Types::TEXT, length: 16777215)]
    public string $document;

    #[ORM\Column(type: Types::DATETIME_IMMUTABLE)]
    public \DateTimeImmutable $posedAt;

    /** What was chosen, and what it is worth, as JSON; null until then. */
    #[ORM\Column(type: Types::TEXT, length: 16777215, nullable: true)]
    public ?string $answer = null;

    #[ORM\Column(type: Types::DATETIME_IMMUTABLE, nullable: true)]
    public ?\DateTimeImmutable $answeredAt = null;
}
