<?php

declare(strict_types=1);

namespace ZigLane\Core\Measuring;

use ZigLane\Core\Equipment\CueSpec;
use ZigLane\Core\InvalidInput;
use ZigLane\Core\Physics\CueStrike;
use ZigLane\Core\Settings\Defaults;

/**
 * The cue is aimed full at a frozen ball with side, level and firm; how far beside it the cue ball arrives tells the squirt
 * and with it the cue's effective end mass.
 */
final readonly class DeflectionTest implements Measurement
{
    /**
     * @param float $distance of the cue ball from where it meets the ball, m
     * @param float $side     tip from the centre, ball radii
     * @param float $aside    of a full hit, away from the side struck, m
     */
    public function __construct(private string $name, public float $distance, public float $side, public float $aside) {}

    public function name(): string
    {
        return $this->name;
    }

    public function about(): array
    {
        return [Parameter::EndMass];
    }

    public function readings(): array
    {
        return [$this->aside / $this->distance];
    }

    public function errors(): array
    {
        // Distance, side and the way aside are all read.
        return [sqrt(3.0) * Defaults::READING_ERROR];
    }

    public function predicted(Guess $guess, float $speed): array
    {
        return [tan(CueStrike::squirt($this->side, $guess->cue))];
    }

    public function speed(): ?array
    {
        return null;
    }

    public function assertPossible(): void
    {
        [$low, $high] = Parameter::EndMass->range();
        $least = CueStrike::squirt($this->side, new CueSpec(endMassRatio: $high));
        $most = CueStrike::squirt($this->side, new CueSpec(endMassRatio: $low));
        $angle = atan2($this->aside, $this->distance);
        if ($angle < $least || $angle > $most) {
            throw new InvalidInput($this->name, \sprintf(
                '%.0f mm aside over %.2f m is %.1f°; with the tip %.0f %% of the radius to the side cues give %.1f–%.1f°. %s',
                $this->aside * 1000,
                $this->distance,
                rad2deg($angle),
                100 * $this->side,
                rad2deg($least),
                rad2deg($most),
                $angle < $least
                    ? 'A raised cue or a soft stroke swerves back and hides squirt: keep it level, hit it firmly.'
                    : 'Was the cue quite parallel to the line, and the tip where you meant it?',
            ));
        }
    }
}
