<?php

declare(strict_types=1);

namespace ZigLane\App\Entity;

use Doctrine\DBAL\Types\Types;
use Doctrine\ORM\Mapping as ORM;

/**
 * A shot that was played: what attempts are searched and counted by (Core\Logbook\AttemptFacts). Its document lies apart, in
 * AttemptDocument: counting reads these rows alone.
 * Written and read with plain SQL (Logbook\Entries, Logbook\Logbook); this class only says what the table looks like.
 */
#[ORM\Entity(readOnly: true)]
#[ORM\Table(name: 'attempt')]
#[ORM\UniqueConstraint(name: 'attempt_key', columns: ['entry_key'])]
#[ORM\Index(name: 'attempt_list', columns: ['deleted_at', 'played_at', 'id'])]
#[ORM\Index(name: 'attempt_run', columns: ['run_key'])]
#[ORM\Index(name: 'attempt_session', columns: ['session_id', 'deleted_at', 'played_at'])]
class AttemptRecord
{
    #[ORM\Id]
    #[ORM\GeneratedValue]
    #[ORM\Column(type: Types::INTEGER)]
    public int $id;

    #[ORM\ManyToOne(targetEntity: SessionRecord::class)]
    #[ORM\JoinColumn(nullable: false, onDelete: 'CASCADE')]
    public SessionRecord $session;

    #[ORM\Column(type: Types::STRING, length: 64, options: ['charset' => 'ascii', 'collation' => 'ascii_bin'])]
    public string $entryKey;

    /** The playing of one rack that it belongs to. */
    #[ORM\Column(type: Types::STRING, length: 64, nullable: true, options: ['charset' => 'ascii', 'collation' => 'ascii_bin'])]
    public ?string $runKey;

    /** Counts what the device that wrote it changed: an older one that comes late is passed over. */
    #[ORM\Column(type: Types::INTEGER)]
    public int $edition;

    #[ORM\Column(type: Types::DATETIME_IMMUTABLE)]
    public \DateTimeImmutable $playedAt;

    #[ORM\Column(type: Types::STRING, length: 20)]
    public string $game;

    #[ORM\Column(type: Types::INTEGER, nullable: true)]
    public ?int $ball;

    #[ORM\Column(type: Types::STRING, length: 12, nullable: true)]
    public ?string $pocket;

    #[ORM\Column(type: Types::STRING, length: 12)]
    public string $kind;

    #[ORM\Column(type: Types::STRING, length: 20)]
    public string $spin;

    #[ORM\Column(type: Types::BOOLEAN)]
    public bool $made;

    #[ORM\Column(type: Types::STRING, length: 10, nullable: true)]
    public ?string $missed;

    #[ORM\Column(type: Types::BOOLEAN)]
    public bool $scratched;

    #[ORM\Column(type: Types::BOOLEAN, nullable: true)]
    public ?bool $inPosition;

    /** Degrees. */
    #[ORM\Column(type: Types::FLOAT, nullable: true)]
    public ?float $cut;

    /** m to the ghost ball. */
    #[ORM\Column(type: Types::FLOAT, nullable: true)]
    public ?float $distance;

    /** Table lengths. */
    #[ORM\Column(type: Types::FLOAT, nullable: true)]
    public ?float $lengths;

    #[ORM\Column(type: Types::INTEGER, nullable: true)]
    public ?int $rails;

    /** m beyond where it was to stop, along its way and to the right of it. */
    #[ORM\Column(type: Types::FLOAT, nullable: true)]
    public ?float $overrun;

    #[ORM\Column(type: Types::FLOAT, nullable: true)]
    public ?float $aside;

    /** Chances that were promised, 0–1, and what the player said. */
    #[ORM\Column(type: Types::FLOAT, nullable: true)]
    public ?float $promisedPot;

    #[ORM\Column(type: Types::FLOAT, nullable: true)]
    public ?float $promisedPosition;

    #[ORM\Column(type: Types::FLOAT, nullable: true)]
    public ?float $said;

    #[ORM\Column(type: Types::DATETIME_IMMUTABLE, nullable: true)]
    public ?\DateTimeImmutable $deletedAt;
}
