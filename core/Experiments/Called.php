<?php

declare(strict_types=1);

namespace ZigLane\Core\Experiments;

use ZigLane\Core\Equipment\Pocket;
use ZigLane\Core\Physics\Shot;

/**
 * A shot with the ball and the pocket it is called for.
 */
final readonly class Called
{
    /** @param float $runOut chance to run out that is predicted, 0–1 */
    public function __construct(public int $ball, public Pocket $pocket, public Shot $shot, public float $runOut = 0.0) {}
}
