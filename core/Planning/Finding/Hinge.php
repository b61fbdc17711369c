<?php

declare(strict_types=1);

namespace ZigLane\Core\Planning\Finding;

use ZigLane\Core\Finding;

/**
 * One shot on which more of the chance is lost than on any other.
 */
final readonly class Hinge implements Finding
{
    /**
     * @param int $shot number, from 1
     * @param float $keeps share of what is left to win that it keeps, 0–1
     */
    public function __construct(
        public int $shot,
        public int $ball,
        public float $keeps,
    ) {}
}
