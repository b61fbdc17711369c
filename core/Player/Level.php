<?php

declare(strict_types=1);

namespace ZigLane\Core\Player;

/**
 * The four levels that execution errors are preset for.
 */
enum Level: string
{
    case Beginner = 'beginner';
    case League = 'league';
    case Advanced = 'advanced';
    case Professional = 'professional';
}
