<?php

declare(strict_types=1);

namespace ZigLane\Core\Planning\Finding;

use ZigLane\Core\Finding;

/**
 * What the player's own choices cost.
 */
final readonly class CostOfConstraints implements Finding
{
    /**
     * @param float $cost chance of running out, 0–1; 0 or less for none
     */
    public function __construct(
        public float $cost,
    ) {}
}
