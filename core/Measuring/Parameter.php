<?php

declare(strict_types=1);

namespace ZigLane\Core\Measuring;

use ZigLane\Core\Settings\Defaults;

/**
 * A number of the table or the cue that can be measured at the table.
 */
enum Parameter: string
{
    case Roll = 'roll';
    case Slide = 'slide';
    case Restitution = 'restitution';
    case Friction = 'friction';
    case EndMass = 'endMass';

    /** The house value. */
    public function house(): float
    {
        return match ($this) {
            self::Roll => Defaults::CLOTH_ROLL,
            self::Slide => Defaults::CLOTH_SLIDE,
            self::Restitution => Defaults::CUSHION_RESTITUTION,
            self::Friction => Defaults::CUSHION_FRICTION,
            self::EndMass => Defaults::END_MASS_RATIO,
        };
    }

    /** How much tables (cues) differ in it, as a share of the house value: what is believed before measuring. */
    public function spread(): float
    {
        return match ($this) {
            self::Roll => Defaults::SPREAD_ROLL,
            self::Slide => Defaults::SPREAD_SLIDE,
            self::Restitution => Defaults::SPREAD_RESTITUTION,
            self::Friction => Defaults::SPREAD_FRICTION,
            self::EndMass => Defaults::SPREAD_END_MASS,
        };
    }

    /**
     * Outside this no table (no cue) can be.
     *
     * @return array{float, float}
     */
    public function range(): array
    {
        return match ($this) {
            self::Roll => [0.003, 0.03],
            self::Slide => [0.08, 0.45],
            self::Restitution => [0.70, 1.0],
            self::Friction => [0.05, 0.50],
            self::EndMass => [12.0, 80.0],
        };
    }

    /** "rolling resistance". */
    public function spoken(): string
    {
        return match ($this) {
            self::Roll => 'rolling resistance',
            self::Slide => 'sliding friction of the cloth',
            self::Restitution => 'bounce of the cushion',
            self::Friction => 'grip of the cushion',
            self::EndMass => 'ball-to-end-mass ratio of the cue',
        };
    }

    /** Whether it is a number of the cue, else of the table. */
    public function ofCue(): bool
    {
        return self::EndMass === $this;
    }
}
