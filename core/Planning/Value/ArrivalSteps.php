<?php

declare(strict_types=1);

namespace ZigLane\Core\Planning\Value;

/**
 * The steps in which arrivals and the strokes that play them are told apart.
 *
 * @internal
 */
final class ArrivalSteps
{
    /** Rolling share of the speed at the contact: −1 draw as fast as it travels, 0 stun, 1 rolling. */
    public const ROLLS = [-0.7, -0.3, 0.0, 0.45, 1.0];

    /** Surface speed of the side spin as a share of the speed; right-hand tip positive. */
    public const SIDES = [0.0, 0.75, -0.75];

    /**
     * Speeds at the contact, m/s: SLOWEST · RUNG^k; every SKIP-th is played, from FAST on every second, and those between are cut
     * from its path.
     */
    public const SLOWEST = 0.35;
    public const RUNG = 1.09;
    public const SPEEDS = 32;
    public const SKIP = 4;
    public const FAST = 14;

    /** Distances of the cue ball from the contact for which strokes are told apart, m. */
    public const DISTANCES = [0.25, 0.6, 1.1, 1.8];

    private function __construct() {}
}
