<?php

declare(strict_types=1);

namespace ZigLane\Core\Planning\Finding;

use ZigLane\Core\Finding;

/**
 * The rest goes better from one side of a ball's line than from the other, and that is where the shot leaves the cue ball.
 */
final readonly class RightSide implements Finding
{
    /**
     * @param int $ball that is shot next
     * @param Side $side of its line as the player stands
     * @param float $chance of the rest from there, 0–1
     * @param float $other from the other side
     */
    public function __construct(
        public int $ball,
        public Side $side,
        public float $chance,
        public float $other,
    ) {}
}
