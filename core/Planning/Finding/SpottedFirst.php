<?php

declare(strict_types=1);

namespace ZigLane\Core\Planning\Finding;

use ZigLane\Core\Finding;

/**
 * Every ball that may be hit lies in the kitchen, from where the cue ball is played: the plan begins with one spotted.
 */
final readonly class SpottedFirst implements Finding
{
    public function __construct(public int $ball) {}
}
