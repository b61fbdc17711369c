<?php

declare(strict_types=1);

namespace ZigLane\Core\Rack;

/**
 * The four rails, left and right as seen from the head rail looking to the foot.
 */
enum Rail: string
{
    case Head = 'head';
    case Foot = 'foot';
    case Left = 'left';
    case Right = 'right';
}
