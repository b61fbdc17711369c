<?php

declare(strict_types=1);

namespace ZigLane\App\Entity;

use Doctrine\DBAL\Types\Types;
use Doctrine\ORM\Mapping as ORM;

/**
 * All that is known of a shot that was played, as Core\Logbook\AttemptFile writes it, without its session. Written and read with plain SQL.
 */
#[ORM\Entity(readOnly: true)]
#[ORM\Table(name: 'attempt_document')]
class AttemptDocument
{
    #[ORM\Id]
    #[ORM\OneToOne(targetEntity: AttemptRecord::class)]
    #[ORM\JoinColumn(name: 'attempt_id', nullable: false, onDelete: 'CASCADE')]
    public AttemptRecord $attempt;

    #[ORM\Column(type: Types::TEXT, length: 16777215)]
    public string $document;
}
