<?php

declare(strict_types=1);

namespace ZigLane\Core\Planning\Finding;

use ZigLane\Core\Finding;

/**
 * The cue must be raised over what stands behind the cue ball.
 */
final readonly class RaisedCue implements Finding
{
    /**
     * @param float $degrees above level
     * @param bool  $rail    over a rail, else over a ball
     */
    public function __construct(public float $degrees, public bool $rail) {}
}
