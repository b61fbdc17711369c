<?php

declare(strict_types=1);

namespace ZigLane\Core\Player;

/**
 * Standard deviations of one stroke's errors.
 */
final readonly class ExecutionError
{
    /**
     * @param float $aim   rad
     * @param float $speed as a share
     * @param float $tip   ball radii, in each direction
     */
    public function __construct(public float $aim, public float $speed, public float $tip) {}
}
