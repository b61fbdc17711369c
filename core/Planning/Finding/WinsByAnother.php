<?php

declare(strict_types=1);

namespace ZigLane\Core\Planning\Finding;

use ZigLane\Core\Finding;

/**
 * Another ball than the one that is shot drops with it and ends the rack.
 */
final readonly class WinsByAnother implements Finding
{
    public function __construct(public int $ball) {}
}
