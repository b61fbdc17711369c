<?php

declare(strict_types=1);

namespace ZigLane\Core\Equipment;

use ZigLane\Core\Settings\Defaults;

/**
 * The material of a set of equal balls: solid spheres, inertia (2/5) m R².
 */
final readonly class BallSpec
{
    /**
     * @param float $radius        m
     * @param float $mass          kg
     * @param float $restitution   normal restitution ball to ball, 0–1
     * @param float $frictionFloor friction coefficient at high slip
     * @param float $frictionRise  what is added to it at no slip
     * @param float $frictionFall  s/m, how fast that falls away with slip
     */
    public function __construct(
        public float $radius = Defaults::BALL_RADIUS,
        public float $mass = Defaults::BALL_MASS,
        public float $restitution = Defaults::BALL_RESTITUTION,
        public float $frictionFloor = Defaults::BALL_FRICTION_FLOOR,
        public float $frictionRise = Defaults::BALL_FRICTION_RISE,
        public float $frictionFall = Defaults::BALL_FRICTION_FALL,
    ) {}

    /** The same balls with perfectly smooth, perfectly elastic surfaces: for checks against textbook mechanics. */
    public static function frictionless(float $restitution = 1.0): self
    {
        return new self(restitution: $restitution, frictionFloor: 0.0, frictionRise: 0.0, frictionFall: 0.0);
    }
}
