<?php

declare(strict_types=1);

namespace ZigLane\Core\Planning\Finding;

use ZigLane\Core\Finding;

/**
 * A ball goes only once another has gone.
 */
final readonly class BallInTheWay implements Finding
{
    /**
     * @param int $by the ball in its way
     * @param bool $after whether the plan shoots that one later all the same
     */
    public function __construct(
        public int $ball,
        public int $by,
        public bool $after,
    ) {}
}
