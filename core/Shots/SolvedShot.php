<?php

declare(strict_types=1);

namespace ZigLane\Core\Shots;

use ZigLane\Core\Physics\Shot;
use ZigLane\Core\Physics\ShotResult;

/**
 * A shot that goes as it is meant to, with the directions of the cue in which it does.
 */
final readonly class SolvedShot
{
    /**
     * @param float $low  directions of the cue between which it is made, rad; shot's lies among them
     * @param float $high rad
     */
    public function __construct(public Shot $shot, public ShotResult $result, public float $low, public float $high) {}

    /** Width of the directions in which it is made, rad. */
    public function width(): float
    {
        return $this->high - $this->low;
    }
}
