<?php

declare(strict_types=1);

namespace ZigLane\Core\Line;

/**
 * What happens in a leg that nobody asked for.
 */
enum LegNoteKind: string
{
    case HardlyReachable = 'hardly-reachable';
    case RaisedCue = 'raised-cue';
    case MeetsAgain = 'meets-again';
    case RunsInto = 'runs-into';
    case DropsToo = 'drops-too';
}
