<?php

declare(strict_types=1);

namespace ZigLane\Core\Wording;

use ZigLane\Core\Reading\KeyBall;
use ZigLane\Core\Reading\KeyBallKind;
use ZigLane\Core\Reading\KeyBalls;

/**
 * Why a ball is kept, in a sentence.
 */
final class KeyBallWording
{
    private function __construct() {}

    /** A whole sentence. */
    public static function sentence(KeyBall $key): string
    {
        $pot = \sprintf('The %d into the %s pocket', $key->ball, $key->pocket->spoken());
        $cuts = KeyBalls::BREAK_CUTS;

        return match ($key->kind) {
            KeyBallKind::KeyToLast, KeyBallKind::PerhapsKeyToLast => \sprintf(
                '%s%s: stopped there or moved a hand’s breadth, the cue ball has the %d at about %.0f %%.',
                $pot,
                KeyBallKind::KeyToLast === $key->kind ? ' is the key ball' : '',
                $key->for,
                100 * $key->value,
            ),
            KeyBallKind::BreakBall => \sprintf(
                'The %d breaks the next rack into the %s pocket: with the cue ball %s of its line, cut %d–%d°, it runs into the rack in %.0f %% of the tries.',
                $key->ball,
                $key->pocket->spoken(),
                $key->side,
                $cuts[0],
                $cuts[\count($cuts) - 1],
                100 * $key->value,
            ),
            KeyBallKind::KeyToBreakBall => \sprintf(
                '%s is a key ball: a stop shot leaves the break ball %d at a cut of %.0f°, %.0f %%.',
                $pot,
                $key->for,
                $key->cut,
                100 * $key->value,
            ),
        };
    }
}
