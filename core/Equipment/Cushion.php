<?php

declare(strict_types=1);

namespace ZigLane\Core\Equipment;

use ZigLane\Core\Settings\Defaults;

/**
 * The rubber: of the rails, and of the facings inside the pockets.
 */
final readonly class Cushion
{
    /**
     * @param float $restitution       normal restitution of the rail (energetic), 0–1
     * @param float $friction          ball against rail
     * @param float $clothFriction     ball against cloth while it is pressed into the rail
     * @param float $noseHeight        height of the nose above the slate, in ball diameters, ½–1
     * @param float $facingRestitution normal restitution of a facing, 0–1
     * @param float $facingFriction    ball against facing
     */
    public function __construct(
        public float $restitution = Defaults::CUSHION_RESTITUTION,
        public float $friction = Defaults::CUSHION_FRICTION,
        public float $clothFriction = Defaults::CUSHION_CLOTH_FRICTION,
        public float $noseHeight = Defaults::NOSE_HEIGHT,
        public float $facingRestitution = Defaults::FACING_RESTITUTION,
        public float $facingFriction = Defaults::FACING_FRICTION,
    ) {}

    /** Sine of the angle at which the nose meets the ball above its equator. */
    public function contactSine(): float
    {
        return 2.0 * $this->noseHeight - 1.0;
    }

    /** Cosine of that angle: the ball's centre is this many radii from the nose line when they touch. */
    public function contactCosine(): float
    {
        return sqrt(1.0 - $this->contactSine() ** 2);
    }
}
