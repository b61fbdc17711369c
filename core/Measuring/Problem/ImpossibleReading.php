<?php

declare(strict_types=1);

namespace ZigLane\Core\Measuring\Problem;

use ZigLane\Core\Finding;

/**
 * A reading that no table gives.
 */
final readonly class ImpossibleReading implements Finding
{
    /** @param string $message with which the measurement refused it */
    public function __construct(public string $message) {}
}
