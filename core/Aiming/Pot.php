<?php

declare(strict_types=1);

namespace ZigLane\Core\Aiming;

use ZigLane\Core\Equipment\Pocket;

/**
 * A ball, and the pocket that it is to drop in.
 */
final readonly class Pot
{
    public function __construct(public int $ball, public Pocket $pocket) {}

    /** Whether it is the same ball in the same pocket. */
    public function is(self $other): bool
    {
        return $other->ball === $this->ball && $other->pocket === $this->pocket;
    }
}
