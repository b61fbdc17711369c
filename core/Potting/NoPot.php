<?php

declare(strict_types=1);

namespace ZigLane\Core\Potting;

/**
 * Why there is no pot from a place.
 */
enum NoPot: string
{
    /** The cue ball cannot lie there. */
    case NoRoom = 'no-room';

    /** Too thin, or from the wrong side. */
    case TooThin = 'too-thin';

    /** Too thin for every pocket, or from the wrong side. */
    case TooThinForAll = 'too-thin-for-all';

    /** The ball does not go there. */
    case DoesNotGo = 'does-not-go';

    /** The cue does not get there. */
    case OutOfReach = 'out-of-reach';

    /** Another ball is in the cue ball's way. */
    case Blocked = 'blocked';
}
