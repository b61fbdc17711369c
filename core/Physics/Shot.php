<?php

declare(strict_types=1);

namespace ZigLane\Core\Physics;

use ZigLane\Core\InvalidInput;
use ZigLane\Core\Settings\Defaults;

/**
 * One stroke: where the cue points, how fast it comes, where it strikes, how it is raised.
 */
final readonly class Shot
{
    /**
     * @param float $aim       direction of the cue, rad from +x toward +y
     * @param float $speed     the cue's speed at impact, m/s
     * @param float $elevation of the cue above level, rad
     *
     * @throws InvalidInput when no person could play it
     */
    public function __construct(
        public float $aim,
        public float $speed,
        public Tip $tip = new Tip(),
        public float $elevation = 0.0,
    ) {
        if (!is_finite($aim)) {
            throw new InvalidInput('aimDeg', 'must be a finite number');
        }
        if (!is_finite($speed) || $speed <= 0.0) {
            throw new InvalidInput('speed', 'must be above 0 m/s');
        }
        if ($speed > Defaults::MAX_CUE_SPEED) {
            throw new InvalidInput('speed', \sprintf(
                '%.1f m/s is faster than a person can swing a cue (limit %.0f m/s, a hard break)',
                $speed,
                Defaults::MAX_CUE_SPEED,
            ));
        }
        $degrees = rad2deg($elevation);
        if (!is_finite($elevation) || $degrees < 0.0 || $degrees > Defaults::STEEPEST_DEG + 1e-9) {
            throw new InvalidInput('elevationDeg', \sprintf(
                '%.1f is outside 0–%.0f degrees',
                $degrees,
                Defaults::STEEPEST_DEG,
            ));
        }
    }

    /**
     * A stroke of a search as a shot that a person can play.
     *
     * @throws InvalidInput when no person could
     */
    public static function of(AimedStroke $aimed): self
    {
        $stroke = $aimed->stroke;

        return new self($aimed->aim, $stroke->speed, new Tip($stroke->side, $stroke->height), $stroke->elevation);
    }

    /** The same for a search, which tries strokes unchecked. */
    public function stroke(): AimedStroke
    {
        return new AimedStroke($this->aim, new Stroke($this->speed, $this->tip->side, $this->tip->height, $this->elevation));
    }

    /** The same in another direction, rad. */
    public function withAim(float $aim): self
    {
        return new self($aim, $this->speed, $this->tip, $this->elevation);
    }

    /** The same with another speed of the cue, m/s. */
    public function withSpeed(float $speed): self
    {
        return new self($this->aim, $speed, $this->tip, $this->elevation);
    }
}
