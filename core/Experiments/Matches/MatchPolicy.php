<?php

declare(strict_types=1);

namespace ZigLane\Core\Experiments\Matches;

/**
 * How a player in a match decides between the run-out and a safety.
 */
enum MatchPolicy: string
{
    /** As the program advises. */
    case Advice = 'advice';

    /** Goes for every pot there is. */
    case Go = 'go';

    /** Goes from a chance of the pot of 75 % on, else plays the best safety. */
    case Threshold = 'threshold';
}
