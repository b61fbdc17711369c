<?php

declare(strict_types=1);

namespace ZigLane\Core\Logbook;

/**
 * What a session is for.
 */
enum SessionKind: string
{
    case Practice = 'practice';
    case Drill = 'drill';
    case Test = 'test';
    case Match = 'match';
}
