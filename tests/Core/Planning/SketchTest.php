<?php

declare(strict_types=1);

namespace ZigLane\Tests\Core\Planning;

use PHPUnit\Framework\TestCase;
use ZigLane\Core\Games\GameName;
use ZigLane\Core\Geometry\Point;
use ZigLane\Core\Numerics\Generator;
use ZigLane\Core\Planning\Tour;
use ZigLane\Core\Planning\Value\BreakBalls;
use ZigLane\Core\Planning\Value\LayoutSketch;
use ZigLane\Core\Planning\Value\MovedBalls;
use ZigLane\Core\Planning\Value\PlanningCache;
use ZigLane\Core\Planning\Value\RemainingBalls;
use ZigLane\Core\Planning\Value\StateValues;
use ZigLane\Core\Player\Level;
use ZigLane\Core\Player\Player;
use ZigLane\Core\Potting\AcceptanceWindows;
use ZigLane\Core\Rack\Racking;
use ZigLane\Tests\Core\Reading\Read;
use ZigLane\Tests\Survey;

/**
 * What is known of a table without playing on it: the sketch, the way from ball to ball, break balls.
 */
final class SketchTest extends TestCase
{
    /**
     * @param array<int|string, array{float, float}> $balls diamonds
     *
     * @return array{StateValues, LayoutSketch, RemainingBalls, Point}
     */
    private static function sketched(array $balls, Level $level = Level::League): array
    {
        $rack = Read::rack($balls)->withPlayer(Player::of($level));
        $cache = new PlanningCache($rack->simulator(), $rack->player);
        $places = $rack->layout->balls;
        unset($places[0]);

        return [new StateValues($rack, $cache), new LayoutSketch($rack->simulator(), $rack->player, $places, MovedBalls::steady($rack->player)), RemainingBalls::of($rack->layout), $rack->layout->ball(0)];
    }

    /** @param array<int|string, array{float, float}> $balls diamonds */
    private static function value(array $balls, Level $level = Level::League): float
    {
        [$rules, $sketch, $remaining, $cue] = self::sketched($balls, $level);

        return $sketch->valueAt($rules, $remaining, $cue->x, $cue->y);
    }

    public function testItKnowsEasyFromHardAndBlocked(): void
    {
        $easy = self::value(['cue' => [6.5, 2.8], 9 => [7.2, 3.4]]);
        $far = self::value(['cue' => [0.6, 1.0], 9 => [4.6, 2.4]]);
        $blocked = self::value(['cue' => [2.0, 2.0], 1 => [7.0, 2.0], 8 => [2.4, 2.0], 9 => [2.4, 2.3]]);
        self::assertGreaterThan(0.95, $easy);
        self::assertGreaterThan($far + 0.2, $easy);
        self::assertSame(0.0, $blocked);
        self::assertGreaterThan(self::value(['cue' => [0.6, 1.0], 9 => [4.6, 2.4]], Level::FirstYear), $far);
        // More balls, less chance.
        self::assertGreaterThan(self::value(['cue' => [6.5, 2.8], 8 => [7.2, 3.4], 9 => [2.0, 1.0]]), $easy);
    }

    /** Made from the sketch of the table before, it is the same as made anew. */
    public function testMovingTakesOverWhatLiesAsBefore(): void
    {
        [$rules, $sketch, $remaining] = self::sketched(['cue' => [4, 2], 3 => [6, 1], 5 => [2, 3], 7 => [5, 3.2], 9 => [1, 1]]);
        $random = new Generator(5);
        for ($n = 0; $n < 20; ++$n) {
            $moved = [5 => new Point($random->between(0.1, 2.4), $random->between(0.1, 1.2)), 9 => new Point($random->between(0.1, 2.4), $random->between(0.1, 1.2))];
            $places = array_map(static fn(int $ball): Point => $moved[$ball] ?? Read::rack(['cue' => [4, 2], 3 => [6, 1], 5 => [2, 3], 7 => [5, 3.2], 9 => [1, 1]])->layout->ball($ball), [3 => 3, 5 => 5, 7 => 7, 9 => 9]);
            $anew = new LayoutSketch(Read::rack(['cue' => [4, 2], 9 => [1, 1]])->simulator(), Player::of(Level::League), $places, MovedBalls::steady(Player::of(Level::League)));
            [$x, $y] = [$random->between(0.1, 2.4), $random->between(0.1, 1.2)];
            self::assertEqualsWithDelta($anew->valueAt($rules, $remaining, $x, $y), $sketch->moving($moved)->valueAt($rules, $remaining, $x, $y), 1e-12);
        }
    }

    /** On tables that lie open the sketch is on average what the state values are: over all places, 24 layouts (3 in the suite). */
    public function testItIsAsHighAsTheStateValuesOnAverage(): void
    {
        $random = new Generator(11);
        $worked = $sketched = 0.0;
        for ($n = 0; $n < Survey::size(24, 2); ++$n) {
            $balls = [];
            foreach ([5, 6, 7, 8, 9] as $ball) {
                do {
                    $at = [$random->between(0.5, 7.5), $random->between(0.5, 3.5)];
                } while ([] !== array_filter($balls, static fn(array $b): bool => hypot($b[0] - $at[0], $b[1] - $at[1]) < 0.6));
                $balls[$ball] = $at;
            }
            [$rules, $sketch, $remaining] = self::sketched(['cue' => [0.2, 0.2]] + $balls);
            foreach ($rules->grid()->nodes() as $node => [$x, $y]) {
                if (0 === $node % 37) {
                    $worked += $rules->valueAt($remaining, $x, $y);
                    $sketched += $sketch->valueAt($rules, $remaining, $x, $y);
                }
            }
        }
        self::assertGreaterThan(0.7, $sketched / $worked);
        self::assertLessThan(1.4, $sketched / $worked);
    }

    /** Common practice, no source: near balls first, the last ball's neighbour last. */
    public function testTheShorterWayIsFound(): void
    {
        $rack = Read::rack(['cue' => [4, 2], 1 => [6.5, 1.0], 2 => [1.6, 2.9], 8 => [1.2, 1.2]], 'eight-ball', 'solids');
        self::assertLessThan(Tour::through($rack, 2), Tour::through($rack, 1));
        $straight = ($rack->layout->ball(0)->distanceTo($rack->layout->ball(1)) + $rack->layout->ball(1)->distanceTo($rack->layout->ball(2))
            + $rack->layout->ball(2)->distanceTo($rack->layout->ball(8)));
        self::assertEqualsWithDelta($straight, Tour::through($rack, 1), 1e-12);
        // With many balls it is still no longer than all ways together.
        $many = ['cue' => [0.5, 0.5]];
        foreach (range(1, 12) as $n) {
            $many[$n] = [0.5 + 0.55 * $n, 1.0 + $n % 3];
        }
        self::assertLessThan(9.0, Tour::through(Read::rack($many, 'straight-pool'), 1));
    }

    /** Common practice, no source: a ball a hand's breadth beside the rack is a break ball, one at the other end is none. */
    public function testABallBesideTheRackIsABreakBall(): void
    {
        $rack = Read::rack(['cue' => [4, 2], 1 => [6.3, 3.0], 2 => [1.0, 1.0]], 'straight-pool');
        $balls = new BreakBalls($rack->simulator(), Player::of(Level::Advanced), new AcceptanceWindows($rack->simulator()));
        self::assertGreaterThan(0.6, $balls->quality($rack->rules(), 1, $rack->layout->ball(1)));
        self::assertSame(0.0, $balls->quality($rack->rules(), 2, $rack->layout->ball(2)));
        self::assertSame(0.0, $balls->quality(GameName::StraightPool->rules(), 1, Racking::footSpot($rack->simulator())));
    }
}
