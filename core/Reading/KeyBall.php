<?php

declare(strict_types=1);

namespace ZigLane\Core\Reading;

use ZigLane\Core\Equipment\Pocket;

/**
 * A ball worth keeping: the key ball before the last one, or straight pool's break ball. Wording\KeyBallWording says why.
 */
final readonly class KeyBall
{
    public bool $break;

    /**
     * @param int    $for   the ball it gives position on; for a break ball itself
     * @param float  $value 0–1: chance on that ball afterwards, or share of break shots that run into the rack
     * @param float  $cut   of the shot that it leaves, degrees; 0 where it does not matter
     * @param string $side  for a break ball, the side of its line that the cue ball should lie on: "left" or "right"
     */
    public function __construct(
        public KeyBallKind $kind,
        public int $ball,
        public Pocket $pocket,
        public int $for,
        public float $value,
        public float $cut = 0.0,
        public string $side = '',
    ) {
        $this->break = KeyBallKind::BreakBall === $kind;
    }
}
