<?php

declare(strict_types=1);

namespace ZigLane\Core\Physics;

use ZigLane\Core\Equipment\Cushion;
use ZigLane\Core\Physics\Internal\CushionImpact;

/**
 * What a rail makes of a ball: the law itself stands in Internal\CushionImpact.
 */
final class CushionRebound
{
    /** Steps of the integration that shots are played with. */
    public const STEPS = CushionImpact::STEPS;

    private function __construct() {}

    /**
     * A ball's motion after a rail, in the rail's own frame: x along the rail, y into it, z up.
     *
     * @param Motion      $arriving y velocity into the rail, at least 0
     * @param float       $radius   of the ball, m
     * @param int<1, max> $steps    of the integration
     */
    public static function of(Motion $arriving, float $radius, Cushion $cushion, int $steps = self::STEPS): Motion
    {
        [$vx, $vy, $wx, $wy, $wz] = CushionImpact::rebound(
            $arriving->vx,
            $arriving->vy,
            $radius * $arriving->wx,
            $radius * $arriving->wy,
            $radius * $arriving->wz,
            $cushion->restitution,
            $cushion->friction,
            $cushion->clothFriction,
            $cushion->contactSine(),
            $cushion->contactCosine(),
            $steps,
        );

        return new Motion($vx, $vy, $wx / $radius, $wy / $radius, $wz / $radius);
    }
}
