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
     * @param float|null $direct chance to run out that begins with a plain pot instead, 0–1; null when nothing goes directly
     */
    public function __construct(public ShotKind $kind, public ?float $direct) {}
}
