<?php

declare(strict_types=1);

namespace ZigLane\Core\Decision;

/**
 * What a stroke comes to by the rules.
 */
enum EndKind
{
    /** The rack is won. */
    case Won;

    /** The rack is lost. */
    case Lost;

    /** The turn goes on. */
    case Made;

    /** The other player's turn, from where the balls lie. */
    case Passed;

    /** Pushed out: the other player shoots, or has this one shoot again. */
    case Pushed;

    /** The other player has the ball in hand. */
    case Foul;
}
