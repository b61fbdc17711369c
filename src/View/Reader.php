<?php

declare(strict_types=1);

namespace ZigLane\App\View;

use ZigLane\Core\Wording\SpeedScale;

/**
 * How this person reads speeds and lengths: in which units, with which names of paces.
 */
final readonly class Reader
{
    public function __construct(public Units $units, public SpeedScale $paces = new SpeedScale()) {}
}
