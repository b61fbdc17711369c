<?php

declare(strict_types=1);

namespace ZigLane\Core\Planning\Finding;

/**
 * A side of a ball's line, as the player stands to it.
 */
enum Side: string
{
    case Left = 'left';
    case Right = 'right';
}
