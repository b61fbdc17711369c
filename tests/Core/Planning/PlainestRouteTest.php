<?php

declare(strict_types=1);

namespace ZigLane\Tests\Core\Planning;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use ZigLane\Core\Aiming\Pot;
use ZigLane\Core\Equipment\Pocket;
use ZigLane\Core\Geometry\Point;
use ZigLane\Core\Physics\Shot;
use ZigLane\Core\Planning\PlainestRoute;
use ZigLane\Core\Routes\Family;
use ZigLane\Core\Routes\Route;
use ZigLane\Core\Routes\RouteChances;
use ZigLane\Tests\Core\Reading\Read;

final class PlainestRouteTest extends TestCase
{
    /** A ball that goes much more often is shot first where the rest is worth about as much; not for what is worth clearly less. */
    #[DataProvider('pairs')]
    public function testTheLikelierPotGoesFirst(int $first, float $pot, float $value, float $otherPot, float $other): void
    {
        $rack = Read::rack(['cue' => [4.0, 2.0], 1 => [6.0, 1.0], 2 => [6.0, 3.0], 8 => [1.0, 1.0]], 'eight-ball', 'solids');
        $routes = [self::route(1, $pot, $value), self::route(2, $otherPot, $other)];
        self::assertSame($first, PlainestRoute::among($rack, $routes, null)->pot->ball);
    }

    /**
     * @return iterable<string, array{int, float, float, float, float}> the ball that goes first, chance of the pot and value of either
     */
    public static function pairs(): iterable
    {
        yield 'twice as often, half a point less' => [2, 0.27, 0.0197, 0.56, 0.0171];
        yield 'twice as often, for half as much' => [1, 0.27, 0.008, 0.56, 0.0035];
        yield 'twice as often, a point less' => [1, 0.27, 0.03, 0.56, 0.02];
        yield 'a little more often' => [1, 0.5, 0.04, 0.56, 0.038];
        yield 'much more often, nearly as good' => [2, 0.6, 0.5, 0.95, 0.48];
    }

    /** Cushions beyond the second must be worth it: of routes to the same ball the shorter one goes first where the other hardly promises more. */
    #[DataProvider('rounds')]
    public function testEveryCushionMustBeWorthIt(int $first, int $cushions, float $value, int $otherCushions, float $other): void
    {
        $rack = Read::rack(['cue' => [4.0, 2.0], 1 => [6.0, 1.0], 2 => [6.0, 3.0], 8 => [1.0, 1.0]], 'eight-ball', 'solids');
        $routes = [self::route(1, 0.9, $value, $cushions), self::route(2, 0.9, $other, $otherCushions)];
        self::assertSame($first, PlainestRoute::among($rack, $routes, null)->pot->ball);
    }

    /**
     * @return iterable<string, array{int, int, float, int, float}> the ball that goes first, cushions and value of either
     */
    public static function rounds(): iterable
    {
        yield 'six cushions for a twentieth more' => [2, 6, 0.744, 2, 0.705];
        yield 'six cushions for a tenth more' => [1, 6, 0.744, 2, 0.67];
        yield 'three cushions for a thirtieth more' => [1, 3, 0.744, 1, 0.72];
        yield 'the longer one promises no more' => [1, 1, 0.744, 5, 0.72];
    }

    private static function route(int $ball, float $pot, float $value, int $cushions = 0): Route
    {
        return new Route(
            new Pot($ball, 1 === $ball ? Pocket::FootLeft : Pocket::FootRight),
            new Shot(0.0, 2.0),
            0.0,
            new Family(array_fill(0, $cushions, 'foot'), 'stun', '', ''),
            new Point(1.0, 0.6),
            1.0,
            new RouteChances($pot, $pot, $value, 0.0, 0.0, 0.0, 0.0, 400),
            null,
            null,
        );
    }
}
