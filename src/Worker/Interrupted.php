<?php

declare(strict_types=1);

namespace ZigLane\App\Worker;

/**
 * The work that is under way is to be left: nobody wants it any longer, its time is over, or the worker is to end.
 */
final class Interrupted extends \RuntimeException
{
    public function __construct(public readonly Reason $reason)
    {
        parent::__construct($reason->value);
    }
}
