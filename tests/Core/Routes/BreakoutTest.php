<?php

declare(strict_types=1);

namespace ZigLane\Tests\Core\Routes;

use PHPUnit\Framework\TestCase;
use ZigLane\Core\Aiming\Pot;
use ZigLane\Core\Equipment\Pocket;
use ZigLane\Core\Reading\Openings;
use ZigLane\Core\Routes\Breakout;
use ZigLane\Core\Routes\RouteSearch;
use ZigLane\Core\Wording\RouteWording;
use ZigLane\Tests\Core\Reading\Read;

/**
 * Routes that move a ball on purpose.
 */
final class BreakoutTest extends TestCase
{
    /** The 5 is shut in on the rail behind the 9; the pot of the 1 sends the cue ball into them. */
    public function testAShutInBallIsFreed(): void
    {
        $rack = Read::rack(['cue' => [5.1, 1.35], 1 => [5.9, 0.75], 2 => [3, 3], 5 => [6, 3.91], 8 => [5.819, 3.91], 9 => [6.09, 3.753]]);
        self::assertSame([], Openings::of($rack->simulator(), $rack->layout)->going(5));
        $found = 0;
        foreach ([Pocket::FootLeft, Pocket::SideLeft] as $pocket) {
            $search = new RouteSearch($rack, new Pot(1, $pocket));
            $search->settled();
            foreach ((new Breakout($rack, new Pot(1, $pocket)))->routes($search, [5, 8, 9]) as $route) {
                ++$found;
                self::assertNotNull($route->freed);
                self::assertContains($route->freed->ball, [5, 8, 9]);
                self::assertGreaterThan(0.0, $route->freed->moved);
                // As it is played without errors it does what it says.
                $played = $rack->simulator()->play($rack->layout, $route->shot);
                self::assertSame($pocket, $played->pocketed[1] ?? null);
                $from = $rack->layout->ball($route->freed->ball);
                self::assertTrue(isset($played->pocketed[$route->freed->ball]) || $played->final->ball($route->freed->ball)->distanceTo($from) > 0.01);
                self::assertStringContainsString("Moves the {$route->freed->ball} in", RouteWording::freed($route->freed));
            }
        }
        self::assertGreaterThan(0, $found);
    }

    public function testNothingWantedNothingFound(): void
    {
        $rack = Read::rack(['cue' => [5.1, 1.35], 1 => [5.9, 0.75], 2 => [3, 3], 9 => [6, 3.8]]);
        $search = new RouteSearch($rack, new Pot(1, Pocket::FootLeft));
        $search->spread();
        self::assertSame([], (new Breakout($rack, new Pot(1, Pocket::FootLeft)))->routes($search, []));
    }
}
