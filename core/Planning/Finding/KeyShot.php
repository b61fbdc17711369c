<?php

declare(strict_types=1);

namespace ZigLane\Core\Planning\Finding;

use ZigLane\Core\Finding;

/**
 * The shot leaves the cue ball for the last ball of the rack.
 */
final readonly class KeyShot implements Finding
{
    /**
     * @param int $ball the key ball
     * @param int $for the ball it leads to
     * @param bool $breaksNext whether that breaks the next rack
     */
    public function __construct(
        public int $ball,
        public int $for,
        public bool $breaksNext,
    ) {}
}
