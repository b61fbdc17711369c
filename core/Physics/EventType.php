<?php

declare(strict_types=1);

namespace ZigLane\Core\Physics;

enum EventType: string
{
    case CueStrike = 'cue-strike';
    case BallBall = 'ball-ball';
    case BallCushion = 'ball-cushion';
    case BallFacing = 'ball-facing';
    case SlideToRoll = 'slide-to-roll';
    case Stop = 'stop';
    case Pocketed = 'pocketed';
    case Landing = 'landing';
    case LeftTable = 'left-table';
}
