<?php

declare(strict_types=1);

namespace ZigLane\App\Entity;

use Doctrine\DBAL\Types\Types;
use Doctrine\ORM\Mapping as ORM;

/**
 * A file that a worker will read in: kept for a day.
 */
#[ORM\Entity]
#[ORM\Table(name: 'upload')]
class Upload
{
    #[ORM\Id]
    #[ORM\Column(type: Types::STRING, length: 32, options: ['charset' => 'ascii', 'collation' => 'ascii_bin'])]
    private string $id;

    #[ORM\Column(type: Types::STRING, length: 160)]
    private string $name;

    #[ORM\Column(type: Types::TEXT, length: 16777215)]
    private string $text;

    #[ORM\Column(type: Types::DATETIME_IMMUTABLE)]
    private \DateTimeImmutable $createdAt; // @phpstan-ignore property.onlyWritten (the upkeep reads it)

    public function __construct(string $id, string $name, string $text, \DateTimeImmutable $now)
    {
        $this->id = $id;
        $this->name = $name;
        $this->text = $text;
        $this->createdAt = $now;
    }

    /** The id under which the latest frame of a rack's camera waits. */
    public static function frameOf(int $rack): string
    {
        return "camera-$rack";
    }

    public function id(): string
    {
        return $this->id;
    }

    public function name(): string
    {
        return $this->name;
    }

    public function text(): string
    {
        return $this->text;
    }
}
