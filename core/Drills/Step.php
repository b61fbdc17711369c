<?php

declare(strict_types=1);

namespace ZigLane\Core\Drills;

/**
 * An easier or harder form of a drill.
 */
final readonly class Step
{
    /** @param float $areas times as large as the drill has them */
    public function __construct(public string $name, public float $areas) {}
}
