<?php

declare(strict_types=1);

namespace ZigLane\Core\Photo;

/**
 * What can be wrong with the tips that were pointed at, or with the picture.
 */
enum TapDoubtKind
{
    /** They go round the table the other way: the camera would be under the table. */
    case Mirrored;

    /** Each was meant for the next corner: long and short rails are changed over. */
    case RailsChanged;

    /** One does not fit the others. */
    case WrongTip;

    /** They do not fit together, and no single one is to blame. */
    case DoNotFit;

    /** The picture was taken from so low that balls cannot be placed well. */
    case TooLow;
}
