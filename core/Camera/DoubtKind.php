<?php

declare(strict_types=1);

namespace ZigLane\Core\Camera;

/**
 * What a person must look at before a frame is taken over.
 */
enum DoubtKind: string
{
    /** It lay on the table, and was not seen. */
    case Missing = 'missing';

    /** It is seen where another ball lay, whose number it probably has wrongly. */
    case Mistaken = 'mistaken';

    /** Two balls lie where the other lay. */
    case Swapped = 'swapped';

    /** It was seen, and was not on the table. */
    case Appeared = 'appeared';

    /** It was seen twice. */
    case Double = 'double';

    /** The camera does not know which ball it is, or is not sure. */
    case Unsure = 'unsure';

    /** It lies in another ball or in a rail. */
    case Impossible = 'impossible';
}
