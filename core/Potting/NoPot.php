<?php

declare(strict_types=1);

namespace ZigLane\Core\Potting;

/**
 * Why there is no pot from a place.
 */
enum NoPot: string
{
    case NoRoom = 'the cue ball cannot lie there';
    case TooThin = 'too thin, or from the wrong side';
    case DoesNotGo = 'the ball does not go there';
    case OutOfReach = 'the cue does not get there';
    case Blocked = 'another ball is in the cue ball’s way';
}
