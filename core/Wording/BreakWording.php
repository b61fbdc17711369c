<?php

declare(strict_types=1);

namespace ZigLane\Core\Wording;

use ZigLane\Core\Breaks\BreakTries;
use ZigLane\Core\Rack\BreakAim;
use ZigLane\Core\Rack\BreakStroke;

/**
 * A break in words.
 */
final class BreakWording
{
    private function __construct() {}

    /** "Full at the head ball, the cue ball 0.6 diamonds from the middle, at 8.0 m/s". */
    public static function stroke(BreakStroke $stroke): string
    {
        $aim = match ($stroke->aim) {
            BreakAim::HeadBall => 'Full at the head ball',
            BreakAim::SecondBall => 'Past the head ball at the second one',
            BreakAim::Cut => 'Three quarters of the head ball',
        };
        $place = 0.0 === $stroke->aside ? 'from the middle' : \sprintf('%.1f diamonds from the middle', abs($stroke->aside));

        return \sprintf('%s, %s, at %.1f m/s', $aim, $place, $stroke->speed);
    }

    /** The stroke, and what it comes to. */
    public static function sentence(BreakTries $tries): string
    {
        [$low, $high] = $tries->goesOnBetween();

        return \sprintf(
            '%s: a ball drops in %.0f %%, a scratch in %.0f %%; a ball drops and the next is made in %.0f %% (%.0f–%.0f, %d tries).',
            self::stroke($tries->stroke),
            100 * $tries->kept / max(1, $tries->tries),
            100 * $tries->scratched / max(1, $tries->tries),
            100 * $tries->goesOn(),
            100 * $low,
            100 * $high,
            $tries->tries,
        );
    }
}
