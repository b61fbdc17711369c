<?php

declare(strict_types=1);

namespace ZigLane\Core\Rack;

use ZigLane\Core\Geometry\Point;
use ZigLane\Core\Physics\Simulator;

/**
 * Where a rack of fifteen stands: its apex on the foot spot, its base toward the foot rail.
 */
final class Racking
{
    private const ROWS = 5;

    /** A ball this near one of the rack's places is racked, m. */
    private const SLACK = 0.004;

    private function __construct() {}

    /** The foot spot: two diamonds from the foot rail, in the middle. */
    public static function footSpot(Simulator $simulator): Point
    {
        return new Point(0.75 * $simulator->geometry->length, $simulator->geometry->width / 2);
    }

    /** Whether a ball lying there would be in the way of the rack. */
    public static function inside(Simulator $simulator, Point $p): bool
    {
        foreach (self::corners($simulator) as [$x, $y]) {
            if (hypot($p->x - $x, $p->y - $y) < 2 * $simulator->ball->radius) {
                return true;
            }
        }
        $spot = self::footSpot($simulator);
        $deep = $p->x - $spot->x;
        $radius = $simulator->ball->radius;

        return $deep > -$radius
            && $deep < (self::ROWS - 1) * sqrt(3) * $radius + $radius
            && abs($p->y - $spot->y) < $deep / sqrt(3) + 2 * $radius;
    }

    /** Whether a ball lies on one of the places of the rack, its apex left out. */
    public static function placed(Simulator $simulator, Point $p): bool
    {
        foreach (self::corners($simulator) as [$x, $y]) {
            if (hypot($p->x - $x, $p->y - $y) < self::SLACK) {
                return true;
            }
        }

        return false;
    }

    /** Whether a ball leaving a place in a direction meets the rack within so far, m. */
    public static function meets(Simulator $simulator, Point $from, float $way, float $reach): bool
    {
        $diameter = 2 * $simulator->ball->radius;
        foreach (self::corners($simulator) as [$x, $y]) {
            $along = ($x - $from->x) * cos($way) + ($y - $from->y) * sin($way);
            $aside = abs(($y - $from->y) * cos($way) - ($x - $from->x) * sin($way));
            if ($along > 0.0 && $along < $reach && $aside < 0.9 * $diameter) {
                return true;
            }
        }

        return false;
    }

    /**
     * The balls of the rack but the apex, which is the break ball's and stays out.
     *
     * @return list<array{float, float}>
     */
    private static function corners(Simulator $simulator): array
    {
        $spot = self::footSpot($simulator);
        $radius = $simulator->ball->radius;
        $places = [];
        for ($row = 1; $row < self::ROWS; ++$row) {
            for ($n = 0; $n <= $row; ++$n) {
                $places[] = [$spot->x + $row * sqrt(3) * $radius, $spot->y + (2 * $n - $row) * $radius];
            }
        }

        return $places;
    }
}
