<?php

declare(strict_types=1);

namespace ZigLane\Core\Shots;

/**
 * For patterns whose ball goes straight into its pocket from its first contact.
 */
trait PottedStraight
{
    /** See ShotPattern. */
    abstract public function begins(Played $played): bool;

    /** Whether it went as it was meant to, the ball in its pocket. */
    public function isMade(Played $played): bool
    {
        return $played->isPottedStraight() && $this->begins($played);
    }
}
