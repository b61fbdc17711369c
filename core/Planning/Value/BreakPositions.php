<?php

declare(strict_types=1);

namespace ZigLane\Core\Planning\Value;

use ZigLane\Core\Games\Game;
use ZigLane\Core\Physics\Layout;
use ZigLane\Core\Rack\Racking;

/**
 * Where the cue ball should lie when one ball of straight pool is left: for the break shot.
 *
 * @internal
 */
final class BreakPositions
{
    /**
     * What the place for the break shot counts for beside the rack itself; cuts of a break shot, rad; how the cue
     * ball leaves it, rad from the ball's way, and how far the rack may be, m (our own choice).
     */
    private const BREAK = 0.25;
    private const BREAK_CUT = [0.25, 0.95];
    private const LEAVES = 1.35;
    private const REACHES = 0.9;

    private function __construct() {}

    /**
     * The end of a rack of straight pool: the rack counts, and a little more where the cue ball then lies for a break shot that
     * spreads the rack. The best break ball of all that lie there makes the whole, so that the value reads as a chance to run out.
     *
     * @return array<int, float> by node
     */
    public static function values(PlanningCache $cache, Game $game, Pots $pots, Layout $layout, RemainingBalls $remaining): array
    {
        $quality = [];
        foreach ($layout->objectBalls() as $ball) {
            $quality[$ball] = $cache->breakBalls->quality($game, $ball, $layout->ball($ball));
        }
        $most = 1.0 - self::BREAK + self::BREAK * max([0.0, ...$quality]);
        $least = (1.0 - self::BREAK) / $most;
        $value = array_fill(0, CueBallGrid::NODES, $least);
        foreach ($layout->objectBalls() as $ball) {
            if (!$remaining->has($ball) || Racking::inside($cache->simulator, $layout->ball($ball))) {
                continue;
            }
            $worth = self::BREAK * $quality[$ball] / $most;
            foreach ($pots->of($ball) as $option) {
                $transitions = $option->transitions;
                $chanceGrid = $option->chances;
                [$soft] = $chanceGrid->chances(0);
                foreach ($chanceGrid->nodes as $n => $node) {
                    $cut = deg2rad(($chanceGrid->cut[$n] + $chanceGrid->part[$n]) * ArrivalGrid::CUT_STEP - ArrivalGrid::WIDEST);
                    if (abs($cut) > self::BREAK_CUT[0] && abs($cut) < self::BREAK_CUT[1]) {
                        // The cue ball leaves along the tangent, on the side it came from.
                        $ghost = $transitions->from->toward($transitions->toward, -2 * $cache->simulator->ball->radius);
                        if (Racking::meets(
                            $cache->simulator,
                            $ghost,
                            $transitions->toward - ($cut > 0.0 ? 1.0 : -1.0) * self::LEAVES,
                            self::REACHES,
                        )) {
                            $value[$node] = max($value[$node], $least + $worth * $soft[$n]);
                        }
                    }
                }
            }
        }

        return $value;
    }
}
