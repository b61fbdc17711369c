<?php

declare(strict_types=1);

namespace ZigLane\Core\Planning\Finding;

use ZigLane\Core\Finding;

/**
 * A foul would be the third in a row, where points are counted.
 */
final readonly class ThirdFoul implements Finding
{
    /** @param int $points that it costs */
    public function __construct(public int $points) {}
}
