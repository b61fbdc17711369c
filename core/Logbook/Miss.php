<?php

declare(strict_types=1);

namespace ZigLane\Core\Logbook;

/**
 * How a pot was missed, as a player tells it.
 */
enum Miss: string
{
    /** The object ball was hit fuller than meant. */
    case Thick = 'thick';

    /** It was hit thinner than meant. */
    case Thin = 'thin';

    /** It came to the pocket and was thrown out by the jaws. */
    case Rattled = 'rattled';

    /** It met another ball on its way. */
    case Kissed = 'kissed';
}
