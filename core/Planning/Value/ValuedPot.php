<?php

declare(strict_types=1);

namespace ZigLane\Core\Planning\Value;

use ZigLane\Core\Aiming\Pot;

/**
 * A pot and what it is about worth from a position.
 */
final readonly class ValuedPot
{
    /** @param float $value 0–1 */
    public function __construct(public Pot $pot, public float $value) {}
}
