<?php

declare(strict_types=1);

namespace ZigLane\Tests\Core\Rack;

use PHPUnit\Framework\TestCase;
use ZigLane\Core\Geometry\Point;
use ZigLane\Core\Physics\Layout;
use ZigLane\Core\Physics\Simulator;
use ZigLane\Core\Rack\Racking;
use ZigLane\Core\Rack\Spotting;

final class SpottingTest extends TestCase
{
    public function testOneAfterTheOtherOnTheLongString(): void
    {
        $simulator = new Simulator();
        $spot = Racking::footSpot($simulator);
        $diameter = 2 * $simulator->ball->radius;
        $table = Spotting::back($simulator, new Layout([0 => new Point(0.5, 0.5)]), [9, 3]);
        self::assertSame(0.0, $table->ball(9)->distanceTo($spot));
        self::assertSame($spot->y, $table->ball(3)->y);
        // Toward the foot rail, as near as it goes.
        self::assertEqualsWithDelta($diameter, $table->ball(3)->x - $spot->x, 0.003);
        $table->assertApart($diameter);
    }

    /** Where the string is full down to the foot rail the next place is on the other side of the spot. */
    public function testAFullStringIsGoneRound(): void
    {
        $simulator = new Simulator();
        $spot = Racking::footSpot($simulator);
        $diameter = 2 * $simulator->ball->radius;
        $balls = [0 => new Point(0.5, 0.5)];
        for ($n = 0; $n < 11; ++$n) {
            $balls[$n + 1] = new Point($spot->x + $n * ($diameter + 0.0005), $spot->y);
        }
        $table = Spotting::back($simulator, new Layout($balls), [15]);
        self::assertLessThan($spot->x, $table->ball(15)->x);
        $table->assertApart($diameter);
    }
}
