<?php

declare(strict_types=1);

namespace ZigLane\Core\Rack;

use ZigLane\Core\Geometry\Point;
use ZigLane\Core\Physics\Layout;
use ZigLane\Core\Physics\Simulator;

/**
 * Puts balls back on the table: on the foot spot, else as near to it as there is room on the long string, toward the foot rail first
 * (WPA rules, from memory).
 */
final class Spotting
{
    /** Step of the search for room, m. */
    private const STEP = 0.002;

    private function __construct() {}

    /**
     * @param list<int> $balls
     */
    public static function back(Simulator $simulator, Layout $layout, array $balls): Layout
    {
        foreach ($balls as $ball) {
            $layout = $layout->with($ball, self::place($simulator, $layout));
        }

        return $layout;
    }

    private static function place(Simulator $simulator, Layout $layout): Point
    {
        $spot = Racking::footSpot($simulator);
        foreach ([1, -1] as $way) {
            for ($far = 0.0; abs($far) < $simulator->geometry->length; $far += $way * self::STEP) {
                $place = new Point($spot->x + $far, $spot->y);
                if (!$simulator->geometry->canRest($place)) {
                    break;
                }
                if (self::isFree($simulator, $layout, $place)) {
                    return $place;
                }
            }
        }

        throw new \LogicException('There is no room on the long string.');
    }

    private static function isFree(Simulator $simulator, Layout $layout, Point $place): bool
    {
        foreach ($layout->balls as $other) {
            if ($place->distanceTo($other) < 2 * $simulator->ball->radius + RackUp::GAP) {
                return false;
            }
        }

        return true;
    }
}
