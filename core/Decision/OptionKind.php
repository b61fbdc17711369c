<?php

declare(strict_types=1);

namespace ZigLane\Core\Decision;

/**
 * What a player can decide for.
 */
enum OptionKind: string
{
    /** Pot and go for the run-out. */
    case Go = 'go';

    /** Play safe. */
    case Safe = 'safe';

    /** A pot that is not likely, with a safe table when it is missed. */
    case TwoWay = 'two-way';

    /** Push out, right after the break. */
    case PushOut = 'push-out';

    /** After the other player's push-out: let them shoot again. */
    case Pass = 'pass';

    /** What a stroke can be. */
    public const STROKES = [self::Go, self::Safe, self::TwoWay];

    /** A stroke that keeps the turn in at least this share of the tries is a pot; in less than that one a safety (our own choice). */
    public const POT = 0.5;
    public const SAFETY = 0.15;

    /** A rare pot that yet brings so much of the chance to win is gone for; a two-way shot wins so often when missed (our own choice). */
    public const BY_POT = 0.4;
    public const STILL_WINS = 0.28;
}
