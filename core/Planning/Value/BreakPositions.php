<?php

declare(strict_types=1);

namespace ZigLane\Core\Planning\Value;

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
    private const BREAK = 0.1;
    private const BREAK_CUT = [0.25, 0.95];
    private const LEAVES = 1.35;
    private const REACHES = 0.9;

    private function __construct() {}

    /**
     * The end of a rack of straight pool: the rack counts, and a little more where the cue ball then lies for the break shot.
     *
     * @return array<int, float> by node
     */
    public static function worth(PlanningCache $tables, Pots $pots, Layout $layout, int $set): array
    {
        $worth = array_fill(0, CueBallGrid::NODES, 1.0 - self::BREAK);
        foreach ($layout->objectBalls() as $ball) {
            if (0 === ($set >> $ball & 1) || Racking::inside($tables->simulator, $layout->ball($ball))) {
                continue;
            }
            foreach ($pots->of($ball) as [$pocket, $carry, $field]) {
                [$soft] = $field->chances(0);
                foreach ($field->nodes as $n => $node) {
                    $cut = deg2rad(($field->cut[$n] + $field->part[$n]) * ArrivalGrid::CUT_STEP - ArrivalGrid::WIDEST);
                    if (abs($cut) > self::BREAK_CUT[0] && abs($cut) < self::BREAK_CUT[1]) {
                        // The cue ball leaves along the tangent, on the side it came from.
                        $ghost = $carry->from->toward($carry->toward, -2 * $tables->simulator->ball->radius);
                        if (Racking::meets($tables->simulator, $ghost, $carry->toward - ($cut > 0.0 ? 1.0 : -1.0) * self::LEAVES, self::REACHES)) {
                            $worth[$node] = max($worth[$node], 1.0 - self::BREAK * (1.0 - $soft[$n]));
                        }
                    }
                }
            }
        }

        return $worth;
    }
}
