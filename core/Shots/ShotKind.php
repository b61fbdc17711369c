<?php

declare(strict_types=1);

namespace ZigLane\Core\Shots;

/**
 * The ways in which a ball is sent into a pocket, and the shot that does not try to.
 *
 * A further kind is a case here, a folder of its own, and a line in ShotPatterns.
 */
enum ShotKind: string
{
    /** The cue ball sends the ball straight there. */
    case Pot = 'pot';

    /** The ball goes off cushions. */
    case Bank = 'bank';

    /** The cue ball goes off cushions before it hits the ball. */
    case Kick = 'kick';

    /** The cue ball sends another ball into it. */
    case Combination = 'combination';

    /** The cue ball goes off another ball into it. */
    case Carom = 'carom';

    /** No ball need be pocketed: the other player is to be left with little. Stated by its direction. */
    case Safety = 'safety';

    /** Cushions that such a shot goes over at the most; at least one where there are any. */
    public function mostRails(): int
    {
        return match ($this) {
            self::Bank => 2,
            self::Kick => 3,
            default => 0,
        };
    }

    /** Whether another ball is hit first. */
    public function needsOther(): bool
    {
        return self::Combination === $this || self::Carom === $this;
    }
}
