<?php

declare(strict_types=1);

namespace ZigLane\Core\Planning\Value;

use ZigLane\Core\Games\Game;
use ZigLane\Core\Geometry\Point;
use ZigLane\Core\Numerics\Generator;
use ZigLane\Core\Physics\BallStates;
use ZigLane\Core\Physics\Layout;
use ZigLane\Core\Physics\Simulator;
use ZigLane\Core\Potting\ShotSampler;
use ZigLane\Core\Rack\RackUp;

/**
 * The table of a break shot in straight pool, and the balls that one spreads.
 *
 * @internal
 */
final class BreakSpread
{
    /** So many balls are a good spread (our own choice). */
    public const GOOD = 8;

    /** A ball has left the rack when it lies this far from where it was, m. */
    private const LEFT = 0.08;

    private function __construct() {}

    /**
     * The break ball at a place and the other fourteen racked without the ball at the apex.
     *
     * @return array<int, Point> m, by ball
     */
    public static function racked(Simulator $simulator, Game $game, int $ball, Point $at): array
    {
        $full = RackUp::layout($simulator, $game, new Generator($ball));
        // The apex's number goes where the break ball's would have been.
        $places = $full->balls;
        $places[RackUp::apex($full)] = $places[$ball];

        return [$ball => $at] + $places;
    }

    /**
     * Balls that left the rack.
     *
     * @param ShotSampler $sampler that played the shot
     */
    public static function count(Layout $racked, ShotSampler $sampler, BallStates $state): int
    {
        $far = 0;
        $moved = $sampler->moved($state);
        foreach ([] === $moved ? [] : $sampler->places($state, $moved) as $ball => $place) {
            $from = $racked->ball($ball);
            $far += null === $place || hypot($place[0] - $from->x, $place[1] - $from->y) > self::LEFT ? 1 : 0;
        }

        return $far;
    }
}
