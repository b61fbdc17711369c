<?php

declare(strict_types=1);

namespace ZigLane\Core\Wording;

use ZigLane\Core\Potting\NoPot;
use ZigLane\Core\Reading\Indirect;
use ZigLane\Core\Reading\IndirectKind;

/**
 * Pots that are not direct, and why there are none, in a few words.
 */
final class PotWording
{
    private function __construct() {}

    /** "too thin, or from the wrong side". */
    public static function why(NoPot $why): string
    {
        return match ($why) {
            NoPot::NoRoom => 'the cue ball cannot lie there',
            NoPot::TooThin => 'too thin, or from the wrong side',
            NoPot::TooThinForAll => 'too thin for every pocket, or from the wrong side',
            NoPot::DoesNotGo => 'the ball does not go there',
            NoPot::OutOfReach => 'the cue does not get there',
            NoPot::Blocked => 'another ball is in the cue ball’s way',
        };
    }

    /** "bank the 3 into the foot left pocket". */
    public static function indirect(Indirect $way): string
    {
        $pocket = $way->pocket->spoken();

        return match ($way->kind) {
            IndirectKind::Bank => \sprintf('bank the %d into the %s pocket', $way->ball, $pocket),
            IndirectKind::Carom => \sprintf('carom the %d off the %d into the %s pocket', $way->ball, $way->off, $pocket),
            IndirectKind::Combination => \sprintf('the %d–%d combination into the %s pocket', $way->ball, $way->potted, $pocket),
        };
    }
}
