<?php

declare(strict_types=1);

namespace ZigLane\Core\Planning;

/**
 * How long a plan may be searched. The only clock of the core: a counted one gives the same plan anywhere.
 */
interface Deadline
{
    /** Called when a shot has been searched: whether the next one may be begun. */
    public function allowsAnother(): bool;
}
