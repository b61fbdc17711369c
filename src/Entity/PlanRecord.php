<?php

declare(strict_types=1);

namespace ZigLane\App\Entity;

use Doctrine\DBAL\Types\Types;
use Doctrine\ORM\Mapping as ORM;

/**
 * A plan asked for: the rack as it then was (with its table and player), what was pinned, and what has been found so far.
 * Workers write it with plain SQL (Plan\PlanLedger); everything else only reads it.
 */
#[ORM\Entity(readOnly: true)]
#[ORM\Table(name: 'plan')]
#[ORM\Index(name: 'plan_of_rack', columns: ['rack_id', 'id'])]
#[ORM\Index(name: 'plan_queue', columns: ['state', 'visitor', 'id'])]
#[ORM\Index(name: 'plan_same', columns: ['rack_id', 'same_as'])]
class PlanRecord
{
    use DocumentOfRack;

    /** Its turn in line has not come: others of the same visitor are before it. */
    public const WAITING = 'waiting';
    /** Handed to the workers. */
    public const QUEUED = 'queued';
    public const RUNNING = 'running';
    public const DONE = 'done';
    public const STOPPED = 'stopped';
    public const FAILED = 'failed';

    public const UNDER_WAY = [self::WAITING, self::QUEUED, self::RUNNING];

    /** Hash of the rack and the pins: the same is not planned twice. */
    #[ORM\Column(type: Types::STRING, length: 64)]
    private string $sameAs;

    #[ORM\Column(type: Types::STRING, length: 10)]
    private string $state = self::WAITING;

    #[ORM\Column(type: Types::TEXT, length: 16777215)]
    private string $pins;

    /** The best so far, as Core\Files\PlanFile describes it; null before the first. */
    #[ORM\Column(type: Types::TEXT, length: 16777215, nullable: true)]
    private ?string $result = null; // @phpstan-ignore property.unusedType (workers write it)

    /** Why it failed, in words. */
    #[ORM\Column(type: Types::STRING, length: 300, nullable: true)]
    private ?string $problem = null; // @phpstan-ignore property.unusedType (workers write it)

    /** How often a worker died over it. */
    #[ORM\Column(type: Types::INTEGER)]
    private int $crashes = 0;

    /** Who asked for it: turns are taken between visitors. */
    #[ORM\Column(type: Types::STRING, length: 64)]
    private string $visitor;

    /** Who works on it. */
    #[ORM\Column(type: Types::STRING, length: 40, nullable: true)]
    private ?string $worker = null; // @phpstan-ignore property.unusedType (workers write it)

    /** Seconds thought so far. */
    #[ORM\Column(type: Types::FLOAT)]
    private float $seconds = 0.0;

    public function __construct(
        RackRecord $rack,
        string $sameAs,
        string $document,
        string $pins,
        string $visitor,
        \DateTimeImmutable $now,
    ) {
        $this->rack = $rack;
        $this->sameAs = $sameAs;
        $this->document = $document;
        $this->pins = $pins;
        $this->visitor = $visitor;
        $this->createdAt = $now;
    }

    public function sameAs(): string
    {
        return $this->sameAs;
    }

    public function state(): string
    {
        return $this->state;
    }

    /** Whether a worker has it or will take it. */
    public function isUnderWay(): bool
    {
        return \in_array($this->state, self::UNDER_WAY, true);
    }

    public function pins(): string
    {
        return $this->pins;
    }

    public function result(): ?string
    {
        return $this->result;
    }

    public function problem(): ?string
    {
        return $this->problem;
    }

    public function crashes(): int
    {
        return $this->crashes;
    }

    public function visitor(): string
    {
        return $this->visitor;
    }

    public function worker(): ?string
    {
        return $this->worker;
    }

    public function seconds(): float
    {
        return $this->seconds;
    }
}
