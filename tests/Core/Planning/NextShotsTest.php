<?php

declare(strict_types=1);

namespace ZigLane\Tests\Core\Planning;

use PHPUnit\Framework\TestCase;
use ZigLane\Core\Geometry\Point;
use ZigLane\Core\Geometry\Region;
use ZigLane\Core\Planning\NextShots;
use ZigLane\Core\Planning\PlanSearch;
use ZigLane\Tests\Core\Reading\Read;

final class NextShotsTest extends TestCase
{
    public function testPlacesAreSpreadOverTheZone(): void
    {
        $zone = new Region([[new Point(0.0, 0.0), new Point(1.0, 0.0), new Point(1.0, 0.4), new Point(0.0, 0.4)]]);
        $from = new Point(0.5, 0.2);
        $places = NextShots::places($zone, $from);
        self::assertCount(5, $places);
        foreach ($places as $n => $place) {
            self::assertTrue($zone->contains($place->x, $place->y));
            foreach ([$from, ...\array_slice($places, 0, $n)] as $other) {
                self::assertGreaterThanOrEqual(0.15, $place->distanceTo($other));
            }
        }
        // No place of the zone is far from all of them: the first two are at its ends.
        self::assertGreaterThan(0.9, $places[0]->distanceTo($places[1]));
        $small = new Region([[new Point(0.0, 0.0), new Point(0.1, 0.0), new Point(0.1, 0.1), new Point(0.0, 0.1)]]);
        self::assertSame([], NextShots::places($small, new Point(0.05, 0.05)));
        self::assertSame([], NextShots::places(new Region([]), $from));
    }

    public function testTheNextBallIsShotFromEachOfThem(): void
    {
        $plan = null;
        foreach ((new PlanSearch(Read::rack(['cue' => [5.0, 2.0], 1 => [6.0, 1.0], 9 => [6.5, 3.0]])))->plans() as $plan) {
            break;
        }
        self::assertNotNull($plan);
        $shots = (new NextShots($plan))->after(1);
        self::assertNotSame([], $shots);
        foreach ($shots as $shot) {
            self::assertSame(9, $shot->pot->ball);
            self::assertTrue($plan->shots[0]->zone->contains($shot->before->ball(0)->x, $shot->before->ball(0)->y));
            self::assertSame([9], $shot->before->objectBalls());
            self::assertGreaterThan(0.5, $shot->chances->pot);
        }
        self::assertSame([], (new NextShots($plan))->after(2), 'after the last there is nothing');
    }
}
