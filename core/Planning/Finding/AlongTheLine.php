<?php

declare(strict_types=1);

namespace ZigLane\Core\Planning\Finding;

use ZigLane\Core\Finding;

/**
 * The cue ball travels along the line of the next shot to its stop, or across it.
 */
final readonly class AlongTheLine implements Finding
{
    /**
     * @param int  $ball  that is shot next
     * @param bool $along else it crosses the line
     */
    public function __construct(public int $ball, public bool $along) {}
}
