<?php

declare(strict_types=1);

namespace ZigLane\App\Entity;

use Doctrine\DBAL\Types\Types;
use Doctrine\ORM\Mapping as ORM;

/**
 * One state of a rack: the whole rack file as it then was. Undo and redo walk along these.
 */
#[ORM\Entity]
#[ORM\Table(name: 'rack_revision')]
#[ORM\UniqueConstraint(name: 'rack_revision_number', columns: ['rack_id', 'number'])]
class RackRevision
{
    use DocumentOfRack;

    #[ORM\Column(type: Types::INTEGER)]
    private int $number;

    /** What was done to come here, for the undo button: "move the 3". */
    #[ORM\Column(type: Types::STRING, length: 160)]
    private string $label;

    /** The ways of the cue ball along its legs, for lists: SVG paths as a JSON list; null until it was drawn. */
    #[ORM\Column(type: Types::TEXT, length: 16777215, nullable: true)]
    private ?string $drawing = null;

    public function __construct(RackRecord $rack, int $number, string $label, string $document, \DateTimeImmutable $now)
    {
        $this->rack = $rack;
        $this->number = $number;
        $this->label = $label;
        $this->document = $document;
        $this->createdAt = $now;
    }

    public function number(): int
    {
        return $this->number;
    }

    public function label(): string
    {
        return $this->label;
    }

    public function drawing(): ?string
    {
        return $this->drawing;
    }

    public function draw(string $drawing): void
    {
        $this->drawing = $drawing;
    }
}
