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

    /** The cue ball goes off the cushion just before it hits a ball that lies near it. */
    case RailFirst = 'rail-first';

    /** The ball goes off another ball into it. */
    case Kiss = 'kiss';

    /** The cue ball flies over another ball. */
    case Jump = 'jump';

    /** The cue ball curves round another ball: a swerve, or with a steep cue a massé. */
    case Swerve = 'swerve';

    /** No ball need be pocketed: the other player is to be left with little. Stated by its direction. */
    case Safety = 'safety';

    /** Cushions that such a shot goes over at the most; at least one where there are any. */
    public function mostRails(): int
    {
        return match ($this) {
            self::RailFirst => 1,
            self::Bank => 2,
            self::Kick => 3,
            default => 0,
        };
    }

    /** Whether another ball has a part in it. */
    public function needsOther(): bool
    {
        return $this->hitsOther() || self::Kiss === $this || $this->leavesCloth();
    }

    /** Whether another ball is hit first. */
    public function hitsOther(): bool
    {
        return self::Combination === $this || self::Carom === $this;
    }

    /** Whether the cue is raised on purpose: hard on the cloth, and forbidden in many rooms. */
    public function leavesCloth(): bool
    {
        return self::Jump === $this || self::Swerve === $this;
    }

    /** What its other ball is to it: the name of its key in a file. */
    public function otherKey(): string
    {
        return match ($this) {
            self::Kiss => 'off',
            self::Jump => 'over',
            self::Swerve => 'round',
            default => 'first',
        };
    }
}
