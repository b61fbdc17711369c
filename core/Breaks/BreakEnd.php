<?php

declare(strict_types=1);

namespace ZigLane\Core\Breaks;

/**
 * How a break ends.
 */
enum BreakEnd
{
    /** The rack is won by it. */
    case Won;

    /** A ball dropped: the turn goes on. */
    case Kept;

    /** Legal, and nothing dropped; or too few balls came to a rail. */
    case Passed;

    /** The cue ball fell or left the table, or another ball left it. */
    case Scratched;
}
