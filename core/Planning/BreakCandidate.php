<?php

declare(strict_types=1);

namespace ZigLane\Core\Planning;

use ZigLane\Core\Aiming\Pot;
use ZigLane\Core\Physics\AimedStroke;

/**
 * A stroke that may be the break shot of straight pool, and what it comes to.
 *
 * @internal
 */
final readonly class BreakCandidate
{
    /**
     * @param float $spread  balls that leave the rack when the ball drops, on average
     * @param float $drops   share of tries in which it does and the cue ball stays up; 1 before it has been judged
     * @param float $scratch share of tries
     */
    public function __construct(
        public Pot $pot,
        public AimedStroke $stroke,
        public float $spread,
        public float $drops = 1.0,
        public float $scratch = 0.0,
    ) {}
}
