<?php

declare(strict_types=1);

namespace ZigLane\Core\Rack;

/**
 * What a break is aimed at.
 */
enum BreakAim: string
{
    /** Full at the ball at the apex. */
    case HeadBall = 'head-ball';

    /** Just past it at the ball behind, on the cue ball's side, which is hit as fully as can be. */
    case SecondBall = 'second-ball';

    /** The ball at the apex, cut: three quarters of it, on the cue ball's side. */
    case Cut = 'cut';
}
