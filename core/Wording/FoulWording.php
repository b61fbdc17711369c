<?php

declare(strict_types=1);

namespace ZigLane\Core\Wording;

use ZigLane\Core\Games\Foul;
use ZigLane\Core\Games\FoulCall;

/**
 * A foul in a sentence.
 */
final class FoulWording
{
    private function __construct() {}

    /** A whole sentence. */
    public static function sentence(FoulCall $call): string
    {
        return match ($call->foul) {
            Foul::Scratch => null === $call->pocket
                ? 'Foul: the cue ball leaves the table.'
                : \sprintf('Scratch: the cue ball drops in the %s pocket.', $call->pocket->spoken()),
            Foul::NoHit => 'Foul: the cue ball touches no ball.',
            Foul::WrongBallFirst => \sprintf(
                'Foul: the cue ball touches the %d first, not %s.',
                $call->ball,
                1 === \count($call->due) ? "the {$call->due[0]}" : 'a ball of the group',
            ),
            Foul::OffTable => \sprintf('Foul: the %d leaves the table.', $call->ball),
            Foul::InKitchen => \sprintf('Foul: from the kitchen a ball beyond the head string must be hit first, not the %d.', $call->ball),
            Foul::NoRail => 'Foul: after the contact no ball drops or touches a rail.',
        };
    }
}
