<?php

declare(strict_types=1);

namespace ZigLane\Core\Planning;

use ZigLane\Core\Equipment\BallId;
use ZigLane\Core\Geometry\Point;
use ZigLane\Core\Rack\Rack;

/**
 * How far it is from ball to ball: of two orders that are as good the shorter one is the plainer to play.
 */
final class Tour
{
    /** With more balls left than this the nearest is taken each time; else the shortest way of all is found. */
    private const MOST = 7;

    private function __construct() {}

    /**
     * Way from the cue ball to one ball and from there through all the player's others, the last ball last, m.
     *
     * @param int $first ball that is shot first
     */
    public static function through(Rack $rack, int $first): float
    {
        $own = array_diff($rack->rules()->ownBalls($rack->layout), [$first]);
        $last = $rack->rules()->lastBall($rack->layout);
        $end = null === $last || !\in_array($last, $own, true) ? null : $rack->layout->ball($last);
        $places = array_map($rack->layout->ball(...), array_values(array_diff($own, null === $last ? [] : [$last])));
        $from = $rack->layout->ball($first);

        return $rack->layout->ball(BallId::CUE)->distanceTo($from)
            + (\count($places) > self::MOST ? self::nearest($from, $places, $end) : self::shortest($from, $places, $end));
    }

    /**
     * @param list<Point> $places
     */
    private static function nearest(Point $from, array $places, ?Point $end): float
    {
        $way = 0.0;
        while ([] !== $places) {
            $far = array_map($from->distanceTo(...), $places);
            $n = (int) array_search(min($far), $far, true);
            $way += $far[$n];
            $from = $places[$n];
            array_splice($places, $n, 1);
        }

        return $way + (null === $end ? 0.0 : $from->distanceTo($end));
    }

    /**
     * By subsets (M. Held and R. M. Karp, "A dynamic programming approach to sequencing problems", J. SIAM 10, 1962).
     *
     * @param list<Point> $places
     */
    private static function shortest(Point $from, array $places, ?Point $end): float
    {
        $count = \count($places);
        if (0 === $count) {
            return null === $end ? 0.0 : $from->distanceTo($end);
        }
        // Shortest way through the places of a set that ends at one of them.
        $way = [];
        for ($set = 1; $set < 1 << $count; ++$set) {
            foreach ($places as $n => $place) {
                $without = $set & ~(1 << $n);
                if ($without === $set) {
                    continue;
                }
                $best = 0 === $without ? $from->distanceTo($place) : INF;
                foreach ($places as $m => $before) {
                    if (0 !== ($without >> $m & 1)) {
                        $best = min($best, $way[$without][$m] + $before->distanceTo($place));
                    }
                }
                $way[$set][$n] = $best;
            }
        }
        $all = $way[(1 << $count) - 1];

        if (null === $end) {
            return min($all);
        }

        return min(array_map(static fn(int $n): float => $all[$n] + $places[$n]->distanceTo($end), array_keys($all)));
    }
}
