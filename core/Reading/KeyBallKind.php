<?php

declare(strict_types=1);

namespace ZigLane\Core\Reading;

/**
 * What a ball is kept for.
 */
enum KeyBallKind
{
    /** The only ball before the last one. */
    case KeyToLast;
    /** One of several that could be shot before the last one. */
    case PerhapsKeyToLast;
    /** Straight pool's break ball. */
    case BreakBall;
    /** A ball that leads to the break ball. */
    case KeyToBreakBall;
}
