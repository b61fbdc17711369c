<?php

declare(strict_types=1);

namespace ZigLane\Core\Rack;

use ZigLane\Core\Games\Game;
use ZigLane\Core\Geometry\Point;
use ZigLane\Core\Numerics\Generator;
use ZigLane\Core\Physics\Layout;
use ZigLane\Core\Physics\Simulator;

/**
 * The object balls racked for a game, apex on the foot spot. No rack is frozen all through: gaps are drawn by the seed.
 */
final class RackUp
{
    /** Widest gap between neighbours, m (our own choice). */
    public const GAP = 0.0002;

    private function __construct() {}

    /**
     * The balls of a game, racked; without a cue ball.
     *
     * @param float $gap widest gap between neighbours, m: how tight the rack is
     */
    public static function layout(Simulator $simulator, Game $game, Generator $random, float $gap = self::GAP): Layout
    {
        $order = $game->rackOrder($random);
        $spot = Racking::footSpot($simulator);
        $pitch = 2 * $simulator->ball->radius + $gap;
        $balls = [];
        foreach ($game->rackRows() as $row => $count) {
            for ($n = 0; $n < $count; ++$n) {
                // Each ball is nudged by less than half the gap, so that none overlap.
                $far = $random->between(0.0, 0.49 * $gap);
                $turn = $random->between(0.0, 2 * M_PI);
                $balls[array_shift($order) ?? 0] = new Point(
                    $spot->x + $row * $pitch * sqrt(3) / 2 + $far * cos($turn),
                    $spot->y + ($n - ($count - 1) / 2) * $pitch + $far * sin($turn),
                );
            }
        }

        return new Layout($balls);
    }

    /** The number of the ball nearest the head of a racked table. */
    public static function apex(Layout $racked): int
    {
        $apex = $racked->objectBalls()[0];
        foreach ($racked->objectBalls() as $ball) {
            $apex = $racked->ball($ball)->x < $racked->ball($apex)->x ? $ball : $apex;
        }

        return $apex;
    }
}
