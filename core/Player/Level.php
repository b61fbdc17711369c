<?php

declare(strict_types=1);

namespace ZigLane\Core\Player;

/**
 * The levels that execution errors are preset for: see docs/planning.md for what they are held to.
 */
enum Level: string
{
    case FirstYear = 'first-year';
    case ClubNight = 'club-night';
    case League = 'league';
    case StrongLeague = 'strong-league';
    case Advanced = 'advanced';
    case Professional = 'professional';

    /** What files called the first level before there were six. */
    public const BEGINNER = 'beginner';

    /** As it is said before "player". */
    public function spoken(): string
    {
        return match ($this) {
            self::StrongLeague => 'strong league',
            default => $this->value,
        };
    }
}
