<?php

declare(strict_types=1);

namespace ZigLane\Core\Planning\Finding;

use ZigLane\Core\Finding;
use ZigLane\Core\Shots\ShotKind;

/**
 * The shot is no plain pot.
 */
final readonly class NotDirect implements Finding
{
    /**
     * @param float|null $direct     chance to run out that begins with a plain pot instead, 0–1; null when nothing goes directly
     * @param float|null $wins       chance to win the rack with this shot, 0–1; null where nobody contests it
     * @param float|null $directWins and with a plain pot instead
     */
    public function __construct(
        public ShotKind $kind,
        public ?float $direct,
        public ?float $wins = null,
        public ?float $directWins = null,
    ) {}
}
