<?php

declare(strict_types=1);

namespace ZigLane\Core\Games;

enum Foul: string
{
    case Scratch = 'scratch';
    case NoHit = 'no-hit';
    case WrongBallFirst = 'wrong-ball-first';
    case NoRail = 'no-rail';
    case OffTable = 'off-table';

    /** From the kitchen a ball in it was hit first. */
    case InKitchen = 'in-kitchen';
}
