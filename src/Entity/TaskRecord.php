<?php

declare(strict_types=1);

namespace ZigLane\App\Entity;

use Doctrine\DBAL\Types\Types;
use Doctrine\ORM\Mapping as ORM;

/**
 * Something that takes longer than a page may: asked for by a page, worked out by a worker, kept for the next who asks the same.
 * Written and read with plain SQL (Work\TaskLedger); this class only says what the table looks like.
 */
#[ORM\Entity(readOnly: true)]
#[ORM\Table(name: 'task')]
#[ORM\Index(name: 'task_age', columns: ['asked_at'])]
class TaskRecord
{
    /** Hash of all that the answer depends on. */
    #[ORM\Id]
    #[ORM\Column(type: Types::STRING, length: 64, options: ['fixed' => true])]
    public string $id;

    #[ORM\Column(type: Types::STRING, length: 20)]
    public string $kind;

    /** What is asked, serialized. */
    #[ORM\Column(type: Types::BLOB, length: 16777215)]
    public string $question;

    #[ORM\Column(type: Types::STRING, length: 10)]
    public string $state;

    /** The answer so far, serialized; null before the first. */
    #[ORM\Column(type: Types::BLOB, length: 16777215, nullable: true)]
    public ?string $answer;

    /** Why there is none, in words. */
    #[ORM\Column(type: Types::STRING, length: 300, nullable: true)]
    public ?string $problem;

    #[ORM\Column(type: Types::STRING, length: 64)]
    public string $visitor;

    /** Which worker has it. */
    #[ORM\Column(type: Types::STRING, length: 40, nullable: true)]
    public ?string $worker;

    #[ORM\Column(type: Types::INTEGER)]
    public int $crashes;

    /** When somebody last wanted to know, Unix time in s. */
    #[ORM\Column(type: Types::FLOAT)]
    public float $askedAt;
}
