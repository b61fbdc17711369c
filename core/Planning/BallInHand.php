<?php

declare(strict_types=1);

namespace ZigLane\Core\Planning;

use ZigLane\Core\Geometry\Point;
use ZigLane\Core\Planning\Value\RemainingBalls;
use ZigLane\Core\Planning\Value\StateValues;
use ZigLane\Core\Rack\Kitchen;
use ZigLane\Core\Rack\Playable;
use ZigLane\Core\Rack\Rack;

/**
 * Where to put the cue ball when it is in hand.
 */
final class BallInHand
{
    /** Places tried with the ball in hand. */
    private const MOST = 3;

    private function __construct() {}

    /**
     * The likeliest places for the ball in hand, the best first.
     *
     * @return list<Point>
     */
    public static function places(Rack $rack, StateValues $stateValues): array
    {
        $values = $stateValues->values(RemainingBalls::of($rack->layout));
        arsort($values);
        $places = [];
        $nodes = $stateValues->grid()->nodes();
        $simulator = $stateValues->cache->simulator;
        foreach ($values as $node => $value) {
            // A place that can be said at the table: twentieths of a diamond.
            [$x, $y] = $rack->table->size->diamondsOf(new Point(...$nodes[$node]));
            $place = $rack->table->size->pointAt(round($x * 20) / 20, round($y * 20) / 20);
            if (!Playable::hasRoom($simulator, $rack->layout, $place) || ($rack->kitchen && !Kitchen::has($rack->table, $place))) {
                continue;
            }
            foreach ($places as $other) {
                if ($place->distanceTo($other) < 0.2) {
                    continue 2;
                }
            }
            $places[] = $place;
            if (\count($places) >= self::MOST) {
                break;
            }
        }

        return $places;
    }
}
