<?php

declare(strict_types=1);

namespace ZigLane\App\Choice;

/**
 * What a player is asked.
 */
enum PosedKind: string
{
    /** How they would play a rack. */
    case Rack = 'rack';

    /** Which of two ways to play a shot is better. */
    case Pair = 'pair';
}
