<?php

declare(strict_types=1);

namespace ZigLane\Tests\Core\Reading;

use PHPUnit\Framework\TestCase;
use ZigLane\Core\Aiming\Pot;
use ZigLane\Core\Equipment\Pocket;
use ZigLane\Core\Geometry\Point;
use ZigLane\Core\Geometry\Region;
use ZigLane\Core\Physics\Layout;
use ZigLane\Core\Physics\Shot;
use ZigLane\Core\Physics\Simulator;
use ZigLane\Core\Player\Level;
use ZigLane\Core\Player\Player;
use ZigLane\Core\Potting\PotChance;
use ZigLane\Core\Reading\Arrival;
use ZigLane\Core\Reading\GetThere;
use ZigLane\Core\Reading\GoingOn;
use ZigLane\Core\Reading\SpeedWindow;
use ZigLane\Core\Reading\Zone;
use ZigLane\Core\Wording\RouteWording;

/**
 * Getting to the next ball: right side, arrival, speed window, "can I get there?".
 */
final class PositionTest extends TestCase
{
    public function testTheRightSideIsTheOneThatLeadsOn(): void
    {
        // The 1 before a side pocket, the 2 at one end of the table: from the side toward that end the cue ball stays
        // where it has the 2; mirrored, the other side is right.
        $sides = [];
        foreach (['head' => 1.0, 'foot' => 7.0] as $end => $x) {
            $rack = Read::rack(['cue' => [4, 2], 1 => [4, 1], 2 => [$x, 2]]);
            $simulator = $rack->simulator();
            $player = Player::of(Level::Advanced);
            $after = array_map(static fn(Pocket $p): PotChance => new PotChance($simulator, $rack->layout->without(1), new Pot(2, $p), $player), Pocket::cases());
            $sides[$end] = GoingOn::of($simulator, $rack->layout, new PotChance($simulator, $rack->layout, new Pot(1, Pocket::SideLeft), $player), $after);
        }
        foreach ($sides['head']->shares as $i => [$cut, $share]) {
            $mirror = $sides['foot']->shares[\count($sides['foot']->shares) - 1 - $i];
            self::assertSame(-$cut, $mirror[0]);
            self::assertEqualsWithDelta($share, $mirror[1], 0.12, "cut $cut");
        }
        self::assertSame('left', $sides['head']->rightSide());
        self::assertSame('right', $sides['foot']->rightSide());
        self::assertGreaterThan(0.0, $sides['head']->ease());
    }

    public function testAZoneLeavesOutAnglesThatLeadNowhere(): void
    {
        $rack = Read::rack(['cue' => [4, 2], 1 => [7, 0.8], 2 => [2.2, 0.6]]);
        $simulator = $rack->simulator();
        $player = Player::of(Level::Advanced);
        $after = array_map(static fn(Pocket $p): PotChance => new PotChance($simulator, $rack->layout->without(1), new Pot(2, $p), $player), [Pocket::HeadLeft, Pocket::SideLeft]);
        $going = GoingOn::of($simulator, $rack->layout, new PotChance($simulator, $rack->layout, new Pot(1, Pocket::FootLeft), $player), $after);
        $zone = Zone::of($simulator, $rack->layout, new PotChance($simulator, $rack->layout, new Pot(1, Pocket::FootLeft), $player), $going);
        self::assertLessThan($zone->whole->area(), $zone->region->area());
        self::assertSame($going->rightSide(), $zone->rightSide);
        self::assertCount(2, $zone->boundaries);
    }

    public function testArrivalAlongAndAcross(): void
    {
        $simulator = new Simulator();
        $zone = new Region([[new Point(0.9, 0.3), new Point(1.5, 0.3), new Point(1.5, 0.9), new Point(0.9, 0.9)]]);
        // The cue ball runs down the middle, with no ball in the way but one grazed early.
        $layout = new Layout([0 => new Point(0.3, 0.6), 1 => new Point(0.5, 0.6 + 0.0565)]);
        $result = $simulator->play($layout, new Shot(0.0, 0.45));
        $stop = $result->final->ball(0);
        self::assertTrue($zone->contains($stop->x, $stop->y), \sprintf('%.2f %.2f', $stop->x, $stop->y));
        $into = Arrival::of($result, $zone, new Point(2.2, $stop->y));
        self::assertSame('into the line', $into->how);
        self::assertTrue($into->stops);
        self::assertEqualsWithDelta($stop->x - 0.9, $into->stretch, 0.03);
        self::assertSame('across the line', Arrival::of($result, $zone, new Point($stop->x - 0.1, 5.0))->how);
        self::assertSame('along the line, away from the ball', Arrival::of($result, $zone, new Point(0.0, $stop->y))->how);
        $past = new Region([[new Point(0.6, 0.3), new Point(0.7, 0.3), new Point(0.7, 0.9), new Point(0.6, 0.9)]]);
        $through = Arrival::of($result, $past, new Point(2.2, 0.6));
        self::assertFalse($through->stops);
        self::assertEqualsWithDelta(0.1, $through->stretch, 0.03);
        self::assertSame('', Arrival::of($result, new Region([]), new Point(2.2, 0.6))->how);
    }

    public function testTheSpeedWindowLeansAwayFromTheWorseEdge(): void
    {
        // Good between 0.9 and 1.3; too soft still leaves half a chance, too hard loses everything.
        $outcome = static fn(float $at): ?float => match (true) {
            $at < 0.9 => 0.5,
            $at <= 1.3 => 0.9,
            default => null,
        };
        $window = SpeedWindow::of($outcome, 0.75) ?? self::fail('no window');
        self::assertEqualsWithDelta(0.9, $window->low, 0.005);
        self::assertEqualsWithDelta(1.3, $window->high, 0.005);
        self::assertLessThan(1.1, $window->recommended);
        self::assertGreaterThan(0.95, $window->recommended);
        self::assertSame('10 % softer to 30 % harder', RouteWording::window($window));
        self::assertNull(SpeedWindow::of(static fn(float $at): float => 0.1, 0.75));
        // Out of the zone as struck: the nearest window.
        $later = SpeedWindow::of(static fn(float $at): float => $at > 1.2 && $at < 1.5 ? 0.8 : 0.0, 0.75) ?? self::fail('no window');
        self::assertEqualsWithDelta(1.2, $later->low, 0.01);
    }

    public function testCanIGetThere(): void
    {
        $rack = Read::rack(['cue' => [5, 1.5], 1 => [6.5, 2.6], 9 => [1, 3]]);
        $simulator = $rack->simulator();
        $pot = new PotChance($simulator, $rack->layout, new Pot(1, Pocket::FootRight), Player::of(Level::Advanced));
        // Where one of its own strokes really stops can be reached again.
        $read = $pot->fromPlace($rack->layout->ball(0)->x, $rack->layout->ball(0)->y);
        $stop = $simulator->play($rack->layout, new Shot($read->aim, 2.4))->final->ball(0);
        $answer = GetThere::search($simulator, $rack->layout, $pot, $stop);
        self::assertTrue($answer->can(), (string) $answer->off);
        self::assertNotNull($answer->shot);
        $played = $simulator->play($rack->layout, $answer->shot);
        self::assertSame(Pocket::FootRight, $played->pocketed[1] ?? null);
        self::assertEqualsWithDelta($answer->off, $played->final->ball(0)->distanceTo($stop), 1e-9);
        // From the wrong side of the ball there is no shot at all.
        $wrong = new PotChance($simulator, $rack->layout, new Pot(1, Pocket::HeadLeft), Player::of(Level::Advanced));
        self::assertFalse(GetThere::search($simulator, $rack->layout, $wrong, $stop)->can());
    }
}
