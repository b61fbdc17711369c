<?php

declare(strict_types=1);

namespace ZigLane\Core\Equipment;

use ZigLane\Core\Settings\Defaults;

/**
 * How the cloth slows a ball.
 */
final readonly class Cloth
{
    /**
     * @param float $slide     coefficient of sliding friction, dimensionless
     * @param float $roll      coefficient of rolling resistance, dimensionless
     * @param float $spinDecay decay of spin about the vertical, rad/s²
     */
    public function __construct(
        public float $slide = Defaults::CLOTH_SLIDE,
        public float $roll = Defaults::CLOTH_ROLL,
        public float $spinDecay = Defaults::CLOTH_SPIN_DECAY,
    ) {}
}
