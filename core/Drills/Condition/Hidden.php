<?php

declare(strict_types=1);

namespace ZigLane\Core\Drills\Condition;

use ZigLane\Core\Decision\Sight;
use ZigLane\Core\Equipment\BallId;
use ZigLane\Core\Logbook\Attempt;
use ZigLane\Core\Settings\Defaults;

/**
 * So little of a ball can be hit straight from where the cue ball lies that the other player has no pot.
 */
final readonly class Hidden implements Condition
{
    /** @param float $share of the ball's width that may be seen, 0–1 */
    public function __construct(public int $ball, public float $share = 0.0) {}

    public function holds(Attempt $attempt): bool
    {
        $after = $attempt->result->after($attempt->rack->layout);

        return $after->has($this->ball) && $after->has(BallId::CUE)
            && Sight::of($after, $this->ball, 2 * Defaults::BALL_RADIUS) <= $this->share + 1e-9;
    }

    public function scaled(float $times): self
    {
        return $this;
    }
}
