<?php

declare(strict_types=1);

namespace ZigLane\App\Breaks;

use ZigLane\Core\Breaks\BreakTries;
use ZigLane\Core\Wording\BreakWording;

/**
 * Breaks as they are shown, the best first.
 */
final readonly class BreakList
{
    /**
     * @param non-empty-list<BreakTries> $breaks
     */
    public function __construct(public array $breaks) {}

    public function best(): string
    {
        return BreakWording::sentence($this->breaks[0]);
    }

    public function words(BreakTries $one): string
    {
        return BreakWording::stroke($one->stroke);
    }
}
