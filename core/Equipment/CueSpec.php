<?php

declare(strict_types=1);

namespace ZigLane\Core\Equipment;

use ZigLane\Core\Settings\Defaults;

/**
 * The cue as the cue ball feels it.
 */
final readonly class CueSpec
{
    /**
     * @param float $mass           kg
     * @param float $tipRestitution 0–1
     * @param float $endMassRatio   ball mass over the effective mass of the cue's end: 20 squirts much, 45 little
     * @param string|null $name     of the cue profile it comes from; null for the house cue or one set by hand
     */
    public function __construct(
        public float $mass = Defaults::CUE_MASS,
        public float $tipRestitution = Defaults::TIP_RESTITUTION,
        public float $endMassRatio = Defaults::END_MASS_RATIO,
        public ?string $name = null,
    ) {}

    /** The same cue under another name; null for none. */
    public function named(?string $name): self
    {
        return new self($this->mass, $this->tipRestitution, $this->endMassRatio, $name);
    }
}
