<?php

declare(strict_types=1);

namespace ZigLane\Core\Reading;

use ZigLane\Core\Equipment\Pocket;

/**
 * A ball worth keeping: the key ball before the last one, or straight pool's break ball.
 */
final readonly class KeyBall
{
    /**
     * @param bool   $break  a break ball, else a key ball
     * @param int    $for    the ball it gives position on; for a break ball itself
     * @param float  $value  0–1, to rank by
     * @param string $reason a whole sentence
     * @param string $side   for a break ball, the side of its line that the cue ball should lie on: "left" or "right"
     */
    public function __construct(
        public int $ball,
        public Pocket $pocket,
        public bool $break,
        public int $for,
        public float $value,
        public string $reason,
        public string $side = '',
    ) {}
}
