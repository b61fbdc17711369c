<?php

declare(strict_types=1);

namespace ZigLane\Core\Line;

/**
 * How a leg stands once the line has been played through.
 */
enum LegState: string
{
    /** It pockets its ball legally and the line goes on; or it is a safety and legal. */
    case Holds = 'holds';
    /** It misses, fouls, or has no direct shot: the line ends here. */
    case Breaks = 'breaks';
    /** An earlier leg breaks, so this one cannot be reached. */
    case Waits = 'waits';
    /** Its ball is down already, or the rack is over: there is nothing left to play. */
    case Spent = 'spent';
}
