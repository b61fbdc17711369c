<?php

declare(strict_types=1);

namespace ZigLane\Core\Line;

/**
 * Why a leg does not hold.
 */
enum LegFaultKind: string
{
    case NotReached = 'not-reached';
    case RackOver = 'rack-over';
    case BallDown = 'ball-down';
    case Refused = 'refused';
    case Foul = 'foul';
    case LostRack = 'lost-rack';
    case OtherPocket = 'other-pocket';
    case StaysUp = 'stays-up';
    case NothingDrops = 'nothing-drops';
}
