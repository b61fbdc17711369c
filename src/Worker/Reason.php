<?php

declare(strict_types=1);

namespace ZigLane\App\Worker;

/**
 * Why work was interrupted.
 */
enum Reason: string
{
    case Unwanted = 'nobody wants it any longer';
    case TimeOver = 'it took too long';
    case Ending = 'the worker is to end';
}
