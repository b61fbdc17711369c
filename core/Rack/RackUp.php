<?php

declare(strict_types=1);

namespace ZigLane\Core\Rack;

use ZigLane\Core\Games\GameName;
use ZigLane\Core\Geometry\Point;
use ZigLane\Core\Numerics\Generator;
use ZigLane\Core\Physics\Layout;
use ZigLane\Core\Physics\Simulator;

/**
 * The object balls racked for a game, apex on the foot spot. No rack is frozen all through: gaps are drawn by the seed.
 *
 * Where the balls go (WPA rules, from memory): eight-ball has the eight in the middle and one of each group in the far
 * corners; nine-ball and ten-ball the 1 at the apex and the money ball in the middle; the rest anywhere.
 */
final class RackUp
{
    /** Widest gap between neighbours, m (our own choice). */
    public const GAP = 0.0002;

    private function __construct() {}

    public static function layout(Simulator $simulator, GameName $game, Generator $random): Layout
    {
        $rows = GameName::NineBall === $game ? [1, 2, 3, 2, 1] : (GameName::TenBall === $game ? [1, 2, 3, 4] : [1, 2, 3, 4, 5]);
        $order = self::order($game, $random);
        $spot = Racking::footSpot($simulator);
        $pitch = 2 * $simulator->ball->radius + self::GAP;
        $balls = [];
        foreach ($rows as $row => $count) {
            for ($n = 0; $n < $count; ++$n) {
                // Each ball is nudged by less than half the gap, so that none overlap.
                $far = $random->between(0.0, 0.49 * self::GAP);
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

    /**
     * Numbers from the apex on, row by row.
     *
     * @return list<int>
     */
    private static function order(GameName $game, Generator $random): array
    {
        if (GameName::NineBall === $game || GameName::TenBall === $game) {
            $money = GameName::NineBall === $game ? 9 : 10;

            // The middle of both racks is their fifth place.
            return [1, ...self::with($random->shuffled(range(2, $money - 1)), 3, $money)];
        }
        if (GameName::StraightPool === $game) {
            return $random->shuffled(range(1, 15));
        }
        $corners = $random->shuffled([$random->integer(1, 7), $random->integer(9, 15)]);
        $rest = $random->shuffled(array_values(array_diff(range(1, 15), [8], $corners)));

        // Fifth is the middle of the third row; eleventh and fifteenth are the far corners.
        return self::with(self::with(self::with($rest, 4, 8), 10, $corners[0]), 14, $corners[1]);
    }

    /**
     * @param list<int> $balls
     *
     * @return list<int>
     */
    private static function with(array $balls, int $place, int $ball): array
    {
        array_splice($balls, $place, 0, [$ball]);

        return $balls;
    }
}
