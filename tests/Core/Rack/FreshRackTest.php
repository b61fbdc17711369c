<?php

declare(strict_types=1);

namespace ZigLane\Tests\Core\Rack;

use PHPUnit\Framework\TestCase;
use ZigLane\Core\Equipment\BallId;
use ZigLane\Core\Games\GameName;
use ZigLane\Core\Numerics\Generator;
use ZigLane\Core\Physics\Simulator;
use ZigLane\Core\Player\Level;
use ZigLane\Core\Player\Player;
use ZigLane\Core\Rack\BreakStroke;
use ZigLane\Core\Rack\FreshRack;
use ZigLane\Core\Rack\Playable;
use ZigLane\Core\Rack\Racking;
use ZigLane\Core\Rack\RackUp;

final class FreshRackTest extends TestCase
{
    /** Racked as each game wants it, tight but nothing overlapping. */
    public function testRacksAreRackedByTheRules(): void
    {
        $simulator = new Simulator();
        foreach (GameName::cases() as $game) {
            for ($seed = 1; $seed <= 20; ++$seed) {
                $layout = RackUp::layout($simulator, $game->rules(), new Generator($seed));
                $layout->assertApart(2 * $simulator->ball->radius);
                self::assertSame($game->rules()->rack(), $layout->objectBalls());
                $spot = Racking::footSpot($simulator);
                $apex = null;
                foreach ($layout->balls as $ball => $place) {
                    $apex = null === $apex || $place->x < $layout->ball($apex)->x ? $ball : $apex;
                    self::assertLessThan(0.3, $place->distanceTo($spot));
                }
                $pitch = 2 * $simulator->ball->radius * sqrt(3) / 2;
                if (GameName::NineBall === $game || GameName::TenBall === $game) {
                    self::assertSame(1, $apex);
                    $money = $layout->ball(GameName::NineBall === $game ? 9 : 10);
                    self::assertEqualsWithDelta($spot->x + 2 * $pitch, $money->x, 0.002);
                    self::assertEqualsWithDelta($spot->y, $money->y, 0.002);
                } elseif (GameName::EightBall === $game) {
                    self::assertEqualsWithDelta($spot->x + 2 * $pitch, $layout->ball(8)->x, 0.002);
                    self::assertEqualsWithDelta($spot->y, $layout->ball(8)->y, 0.002);
                    $corners = array_keys(array_filter($layout->balls, static fn($p): bool => abs(abs($p->y - $spot->y) - 4 * $simulator->ball->radius) < 0.002));
                    self::assertCount(2, $corners);
                    self::assertTrue(($corners[0] < 8) !== ($corners[1] < 8), implode(' ', $corners));
                }
            }
        }
    }

    /** The same number is the same rack, another is another; and what is left can be played on and stored. */
    public function testABreakCanBeHadAgain(): void
    {
        $player = Player::of(Level::League);
        foreach (GameName::cases() as $game) {
            $dropped = 0;
            $seen = [];
            for ($number = 1; $number <= 12; ++$number) {
                $one = FreshRack::broken($game, $number, $player);
                self::assertEquals($one, FreshRack::broken($game, $number, $player));
                $rack = $one->rack;
                Playable::assert($rack->layout, $rack->table);
                self::assertTrue($rack->layout->has(BallId::CUE));
                self::assertFalse($rack->rules()->isOver($rack->layout));
                self::assertCount(\count($game->rules()->rack()) - $one->dropped, $rack->layout->objectBalls());
                $dropped += $one->dropped;
                $seen[] = serialize($rack->layout);
            }
            self::assertCount(12, array_unique($seen));
            self::assertGreaterThan(GameName::StraightPool === $game ? 11 : 2, $dropped, $game->value);
        }
    }

    /**
     * A harder break spreads the balls further (common practice, no source): mean distance of a ball from the nearest other. In
     * eight-ball, where a soft break leaves the far rows standing; 0.14 m against 0.22 m over sixty breaks each.
     */
    public function testAHarderBreakSpreadsFurther(): void
    {
        $player = Player::of(Level::Professional);
        $spread = static function (float $speed) use ($player): float {
            $sum = 0.0;
            for ($n = 1; $n <= 12; ++$n) {
                $layout = FreshRack::broken(GameName::EightBall, $n, $player, stroke: new BreakStroke($speed))->rack->layout;
                $balls = $layout->objectBalls();
                foreach ($balls as $ball) {
                    $others = array_diff($balls, [$ball]);
                    $sum += min([INF, ...array_map(static fn(int $other): float => $layout->ball($ball)->distanceTo($layout->ball($other)), $others)]) / \count($balls);
                }
            }

            return $sum / 12;
        };
        self::assertGreaterThan($spread(4.5) + 0.04, $spread(9.5));
    }
}
