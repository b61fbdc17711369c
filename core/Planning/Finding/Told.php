<?php

declare(strict_types=1);

namespace ZigLane\Core\Planning\Finding;

use ZigLane\Core\Finding;

/**
 * A sentence of a plan that was stored before findings were.
 */
final readonly class Told implements Finding
{
    public function __construct(
        public string $text,
    ) {}
}
