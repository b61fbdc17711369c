<?php

declare(strict_types=1);

namespace ZigLane\Core\Aiming;

/**
 * Why there is no direct shot.
 */
enum RefusalReason: string
{
    case NotOnTable = 'not-on-table';
    case TooThin = 'too-thin';
    case CueBallBlocked = 'cue-ball-blocked';
    case ObjectBallBlocked = 'object-ball-blocked';
    case PocketClosed = 'pocket-closed';
    case TooHard = 'too-hard';
    case TooSoft = 'too-soft';
    case RailFirst = 'rail-first';
    case DoubleKiss = 'double-kiss';
    case Missed = 'missed';
}
