<?php

declare(strict_types=1);

namespace ZigLane\Core\Reading\Trouble;

use ZigLane\Core\Equipment\Pocket;

/**
 * A pot from which the cue ball can go on into a ball that should be moved.
 */
final readonly class Opener
{
    public function __construct(public int $ball, public Pocket $pocket, public int $moves) {}
}
