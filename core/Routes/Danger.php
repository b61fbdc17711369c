<?php

declare(strict_types=1);

namespace ZigLane\Core\Routes;

/**
 * What can become of a route when it is played.
 */
enum Danger: string
{
    case Scratch = 'scratch';
    case NoShotLeft = 'no-shot-left';
    case Astray = 'astray';
    case BallMoved = 'ball-moved';
}
