<?php

declare(strict_types=1);

namespace ZigLane\Core\Rack;

/**
 * How a push-out stands, in nine-ball and ten-ball right after the break: the player may send the cue ball anywhere without having to
 * hit the lowest ball or a rail, and the other then shoots or has the first shoot again (WPA rules, from memory).
 */
enum PushOut: string
{
    case None = 'none';

    /** The player to shoot may push out. */
    case Allowed = 'allowed';

    /** The other player has pushed out: the player may shoot, or let the other shoot. */
    case Offered = 'offered';
}
