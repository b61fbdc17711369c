<?php

declare(strict_types=1);

namespace ZigLane\App\Entity;

use Doctrine\DBAL\Types\Types;
use Doctrine\ORM\Mapping as ORM;

/**
 * A drill that can be read by whoever has its link, until it is taken back or its time is over. Written and read with plain SQL.
 */
#[ORM\Entity(readOnly: true)]
#[ORM\Table(name: 'shared_drill')]
#[ORM\UniqueConstraint(name: 'shared_drill_token', columns: ['token'])]
#[ORM\Index(name: 'shared_of_drill', columns: ['slug', 'id'])]
class SharedDrill
{
    #[ORM\Id]
    #[ORM\GeneratedValue]
    #[ORM\Column(type: Types::INTEGER)]
    public int $id;

    /** Name of the drill in addresses. */
    #[ORM\Column(type: Types::STRING, length: 64, options: ['charset' => 'ascii', 'collation' => 'ascii_bin'])]
    public string $slug;

    /** What nobody guesses: 32 hexadecimal digits. */
    #[ORM\Column(type: Types::STRING, length: 32, options: ['charset' => 'ascii', 'collation' => 'ascii_bin'])]
    public string $token;

    /** The drill as it then was. */
    #[ORM\Column(type: Types::TEXT, length: 16777215)]
    public string $document;

    #[ORM\Column(type: Types::DATETIME_IMMUTABLE)]
    public \DateTimeImmutable $createdAt;

    #[ORM\Column(name: 'until_at', type: Types::DATETIME_IMMUTABLE)]
    public \DateTimeImmutable $until;
}
