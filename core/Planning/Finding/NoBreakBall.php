<?php

declare(strict_types=1);

namespace ZigLane\Core\Planning\Finding;

use ZigLane\Core\Finding;

/**
 * The last ball of a rack of straight pool that breaks nothing.
 */
final readonly class NoBreakBall implements Finding
{
    public function __construct(
        public int $ball,
    ) {}
}
