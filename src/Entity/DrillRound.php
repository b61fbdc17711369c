<?php

declare(strict_types=1);

namespace ZigLane\App\Entity;

use Doctrine\DBAL\Types\Types;
use Doctrine\ORM\Mapping as ORM;

/**
 * One training or test of a drill, as a device sent it. Written and read with plain SQL.
 */
#[ORM\Entity(readOnly: true)]
#[ORM\Table(name: 'drill_round')]
#[ORM\UniqueConstraint(name: 'drill_round_key', columns: ['entry_key'])]
#[ORM\Index(name: 'drill_round_list', columns: ['drill', 'player', 'played_at'])]
class DrillRound
{
    #[ORM\Id]
    #[ORM\GeneratedValue]
    #[ORM\Column(type: Types::INTEGER)]
    public int $id;

    #[ORM\Column(type: Types::STRING, length: 64, options: ['charset' => 'ascii', 'collation' => 'ascii_bin'])]
    public string $entryKey;

    /** Name of the drill in addresses. */
    #[ORM\Column(type: Types::STRING, length: 64, options: ['charset' => 'ascii', 'collation' => 'ascii_bin'])]
    public string $drill;

    /** Name of the easier or harder form. */
    #[ORM\Column(type: Types::STRING, length: 60)]
    public string $step;

    /** Whether it was a test: each shot once, counted. */
    #[ORM\Column(type: Types::BOOLEAN)]
    public bool $test;

    #[ORM\Column(type: Types::STRING, length: 80)]
    public string $player;

    #[ORM\Column(type: Types::STRING, length: 80)]
    public string $place;

    #[ORM\Column(type: Types::DATETIME_IMMUTABLE)]
    public \DateTimeImmutable $playedAt;

    #[ORM\Column(type: Types::INTEGER)]
    public int $score;

    /** Points of each try, comma-separated. */
    #[ORM\Column(type: Types::TEXT)]
    public string $points;

    /** Shots that were repeated in training. */
    #[ORM\Column(type: Types::INTEGER)]
    public int $repeats;
}
