<?php

declare(strict_types=1);

namespace ZigLane\Core\Planning\Finding;

use ZigLane\Core\Finding;

/**
 * A ball far from the others that is left for the end.
 */
final readonly class LeftForTheEnd implements Finding
{
    public function __construct(
        public int $ball,
    ) {}
}
