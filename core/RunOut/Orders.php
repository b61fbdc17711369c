<?php

declare(strict_types=1);

namespace ZigLane\Core\RunOut;

use ZigLane\Core\Ball\BallId;
use ZigLane\Core\Game\GameName;
use ZigLane\Core\Rack\Rack;
use ZigLane\Core\Random\Generator;
use ZigLane\Core\Reading\KeyBalls;
use ZigLane\Core\Reading\Openings;
use ZigLane\Core\Reading\Order;
use ZigLane\Core\Simulation\Simulator;

/**
 * Likely orders for a table with too many balls to go through them all: balls in others' way and those that are hard to pot
 * early, near ones one after the other, in straight pool the key ball and the break ball last; drawn again and again with
 * other weights, and the balls beside each other in an order exchanged.
 */
final class Orders
{
    private function __construct() {}

    /**
     * @return list<list<int>> balls, the first to be potted first
     */
    public static function likely(Simulator $simulator, Rack $rack, int $count): array
    {
        $layout = $rack->layout;
        $own = Order::own($rack->rules(), $layout);
        $openings = Openings::of($simulator, $layout);
        $random = new Generator(array_sum($own) + \count($own));
        $hard = $inWay = [];
        foreach ($own as $ball) {
            $best = 0.0;
            foreach ($openings->ofBall($ball) as $opening) {
                $best = max($best, $opening->free);
                foreach ($opening->blockers as $blocker) {
                    $inWay[$blocker] = ($inWay[$blocker] ?? 0) + 1;
                }
            }
            $hard[$ball] = 1.0 / (1.0 + 20 * $best);
        }
        $last = [];
        if (GameName::StraightPool === $rack->game) {
            foreach ((new KeyBalls($simulator, $layout, $openings, $rack->player))->of($rack->rules()) as $key) {
                $last[] = [$key->ball, $key->for];
            }
        }
        $orders = [];
        for ($n = 0; $n < $count; ++$n) {
            $w = [$random->between(0.0, 1.5), $random->between(0.0, 0.4), $random->between(0.2, 1.5)];
            [$key, $break] = [] === $last ? [0, 0] : $last[$n % \count($last)];
            $left = array_combine($own, $own);
            $order = [];
            $at = $layout->has(BallId::CUE) ? $layout->ball(BallId::CUE) : $layout->ball($own[0]);
            while ([] !== $left) {
                $best = 0;
                $most = -INF;
                foreach ($left as $ball) {
                    $like = $w[0] * $hard[$ball] + $w[1] * ($inWay[$ball] ?? 0) - $w[2] * $at->distanceTo($layout->ball($ball)) + $random->between(0.0, 0.3);
                    $like -= $ball === $break ? 200.0 : ($ball === $key ? 100.0 : 0.0);
                    $like -= GameName::EightBall === $rack->game && 8 === $ball ? 300.0 : 0.0;
                    if ($like > $most) {
                        $most = $like;
                        $best = $ball;
                    }
                }
                $order[] = $best;
                $at = $layout->ball($best);
                unset($left[$best]);
            }
            $orders[] = $order;
            // Neighbours exchanged: ways from one order into another.
            for ($i = 0; $i < \count($order) - 1; ++$i) {
                $orders[] = [...\array_slice($order, 0, $i), $order[$i + 1], $order[$i], ...\array_slice($order, $i + 2)];
            }
        }

        return $orders;
    }
}
