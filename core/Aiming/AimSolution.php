<?php

declare(strict_types=1);

namespace ZigLane\Core\Aiming;

use ZigLane\Core\Geometry\Point;
use ZigLane\Core\Physics\Shot;
use ZigLane\Core\Physics\ShotResult;

/**
 * A shot that pockets the ball, and how its aim came about. Angles in rad, positive from +x toward +y, which is to the
 * right as the ball travels.
 */
final readonly class AimSolution
{
    /**
     * @param Shot       $shot      the stroke, aim solved
     * @param ShotResult $result    what it does
     * @param float      $cutAngle  between the cue ball's way to the contact and the line of centres there, signed, ±π/2
     * @param Point      $ghost     the cue ball's centre at the contact
     * @param Point      $geometric the ghost ball of plain geometry, which throw makes wrong
     * @param float      $throw     the object ball's departure against the line of centres
     * @param float      $squirt    the cue ball's departure against the cue
     * @param float      $swerve    the way to the contact against the cue ball's departure
     * @param float      $window    width of the usable mouth as seen from the object ball
     * @param float      $target    direction the object ball is sent in
     */
    public function __construct(
        public Shot $shot,
        public ShotResult $result,
        public float $cutAngle,
        public Point $ghost,
        public Point $geometric,
        public float $throw,
        public float $squirt,
        public float $swerve,
        public float $window,
        public float $target,
    ) {}

    /** 1 is full, ½ half a ball, 0 a miss. */
    public function hitFraction(): float
    {
        return 1.0 - sin(abs($this->cutAngle));
    }
}
