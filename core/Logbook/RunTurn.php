<?php

declare(strict_types=1);

namespace ZigLane\Core\Logbook;

/**
 * What a shot was to the run that it belongs to.
 */
enum RunTurn: string
{
    case AsPlanned = 'as planned';
    case OutOfPosition = 'out of position';
    case BallMoved = 'another ball moved';
    case Missed = 'missed';
    case Scratched = 'scratched';

    /** What one practises against it. */
    public function practice(): ?string
    {
        return match ($this) {
            self::AsPlanned => null,
            self::OutOfPosition => 'speed and position',
            self::BallMoved => 'cue-ball ways clear of other balls',
            self::Missed => 'potting',
            self::Scratched => 'the cue ball’s way after the hit',
        };
    }
}
