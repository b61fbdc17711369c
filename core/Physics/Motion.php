<?php

declare(strict_types=1);

namespace ZigLane\Core\Physics;

/**
 * Velocity and spin of a ball. In the table's frame (see Internal\Kernel).
 */
final readonly class Motion
{
    /**
     * @param float $vx m/s
     * @param float $vy m/s
     * @param float $wx rad/s
     * @param float $wy rad/s
     * @param float $wz rad/s
     * @param float $vz upward, m/s; below nil as a raised cue drives a ball into the cloth
     */
    public function __construct(
        public float $vx,
        public float $vy,
        public float $wx = 0.0,
        public float $wy = 0.0,
        public float $wz = 0.0,
        public float $vz = 0.0,
    ) {}

    /** Sliding without spin: velocity in m/s. */
    public static function sliding(float $vx, float $vy): self
    {
        return new self($vx, $vy);
    }

    /** Rolling without slipping: velocity in m/s, radius in m. */
    public static function rolling(float $vx, float $vy, float $radius): self
    {
        return new self($vx, $vy, -$vy / $radius, $vx / $radius);
    }
}
