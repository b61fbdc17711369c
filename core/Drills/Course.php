<?php

declare(strict_types=1);

namespace ZigLane\Core\Drills;

/**
 * How a drill goes on after a shot.
 */
enum Course: string
{
    /** The balls are put back: every station in turn, until the tries are used. */
    case Stations = 'stations';

    /** Ball after ball from where the cue ball stopped, until a miss; the tries are runs. */
    case Run = 'run';

    /** From where all balls stopped, until it fails; the score of a try is how often it went well. */
    case Onward = 'onward';

    /** Ball after ball rolled a little further than the last; the score of a try is how many. */
    case Further = 'further';
}
