<?php

declare(strict_types=1);

namespace ZigLane\Core\Planning;

use ZigLane\Core\Equipment\BallId;
use ZigLane\Core\Numerics\Generator;
use ZigLane\Core\Planning\Value\PlanningCache;
use ZigLane\Core\Planning\Value\RemainingBalls;
use ZigLane\Core\Planning\Value\StateValues;
use ZigLane\Core\Rack\Rack;
use ZigLane\Core\Reading\KeyBalls;
use ZigLane\Core\Reading\Openings;
use ZigLane\Core\Reading\Order;

/**
 * Likely orders for a table with too many balls to go through them all: of the balls that go, those first that let others go,
 * that are near, or that are hard; in straight pool the key ball and the break ball last. Drawn again and again with other
 * weights, and the balls beside each other in an order exchanged.
 */
final class LikelyOrders
{
    /** Share of the table from which a ball must go to be taken (chances summed over places). */
    private const GOES = 0.004;

    /** Balls that are kept for the break shot, and how near to the best of them they must come. */
    private const BREAK_BALLS = 2;
    private const NEARLY = 0.8;

    private function __construct() {}

    /**
     * @param list<list<int>> $last balls to keep for the end, the last of them last, as last() finds them
     *
     * @return list<list<int>> balls, the first to be potted first
     */
    public static function likely(Rack $rack, StateValues $stateValues, int $count, array $last): array
    {
        $layout = $rack->layout;
        $own = $rack->rules()->ownBalls($layout);
        $end = $rack->rules()->lastBall($layout);
        $random = new Generator(array_sum($own) + \count($own));
        $orders = [];
        for ($n = 0; $n < $count; ++$n) {
            $weights = [$random->between(-0.3, 1.2), $random->between(0.2, 1.0), $random->between(0.1, 1.0)];
            $keep = [] === $last ? [] : $last[$n % \count($last)];
            $remaining = RemainingBalls::of($layout);
            $left = array_combine($own, $own);
            $order = [];
            $at = $layout->balls[BallId::CUE] ?? $layout->ball($own[0]);
            while ([] !== $left) {
                $stuck = array_filter($left, static fn(int $b): bool => !$stateValues->pots->goes($remaining, $b));
                $best = 0;
                $most = -INF;
                foreach ($left as $ball) {
                    $room = $stateValues->pots->room($remaining, $ball);
                    $frees = \count(
                        array_filter(
                            $stuck,
                            static fn(int $s): bool => $s !== $ball && $stateValues->pots->goes($remaining->without($ball), $s),
                        ),
                    );
                    $like = $weights[0] / (1 + 30 * $room) + $weights[1] * $frees - $weights[2] * $at->distanceTo($layout->ball($ball))
                        + $random->between(0.0, 0.4);
                    $like -= $room < self::GOES ? 50.0 : 0.0;
                    $like -= \in_array($ball, $keep, true) ? 100.0 * (1 + (int) array_search($ball, $keep, true)) : 0.0;
                    $like -= $ball === $end ? 300.0 : 0.0;
                    if ($like > $most) {
                        $most = $like;
                        $best = $ball;
                    }
                }
                $order[] = $best;
                $at = $layout->ball($best);
                $remaining = $remaining->without($best);
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

    /**
     * Balls to keep for the end of a rack of straight pool: key ball, break ball; break balls that spread the rack well.
     *
     * @return list<list<int>>
     */
    public static function last(PlanningCache $cache, Rack $rack): array
    {
        if (!$rack->rules()->endsWithBreakShot()) {
            return [];
        }
        $quality = [];
        foreach ($rack->rules()->ownBalls($rack->layout) as $ball) {
            $quality[$ball] = $cache->breakBalls->quality($rack->rules(), $ball, $rack->layout->ball($ball));
        }
        arsort($quality);
        $most = [] === $quality ? 0.0 : max($quality);
        $good = array_keys(array_filter(
            \array_slice($quality, 0, self::BREAK_BALLS, true),
            static fn(float $q): bool => $q > 0.0 && $q >= self::NEARLY * $most,
        ));
        $keep = [];
        foreach ((new KeyBalls(
            $cache->simulator,
            $rack->layout,
            Openings::of($cache->simulator, $rack->layout, windows: $cache->windows),
            $rack->player,
        ))->of($rack->rules()) as $key) {
            if (\in_array($key->for, $good, true)) {
                $keep[] = array_values(array_unique([$key->ball, $key->for]));
            }
        }
        foreach ($good as $ball) {
            if ([] === array_filter($keep, static fn(array $pair): bool => $pair[\count($pair) - 1] === $ball)) {
                $keep[] = [$ball];
            }
        }

        return $keep;
    }
}
