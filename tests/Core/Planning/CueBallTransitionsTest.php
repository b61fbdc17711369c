<?php

declare(strict_types=1);

namespace ZigLane\Tests\Core\Planning;

use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;
use ZigLane\Core\Aiming\Pot;
use ZigLane\Core\Equipment\Pocket;
use ZigLane\Core\Geometry\Point;
use ZigLane\Core\Physics\Layout;
use ZigLane\Core\Physics\Simulator;
use ZigLane\Core\Planning\Value\ArrivalGrid;
use ZigLane\Core\Planning\Value\ArrivalSteps;
use ZigLane\Core\Planning\Value\CueBallTransitions;
use ZigLane\Core\Planning\Value\PlanningCache;
use ZigLane\Core\Planning\Value\TransitionsNeeded;
use ZigLane\Core\Player\Level;
use ZigLane\Core\Player\Player;

final class CueBallTransitionsTest extends TestCase
{
    /** The contact lies beside a rail, and a hair inside it when it is turned for the throw: such a cue ball ran on outside the table. */
    #[TestWith([2.419085, 1.237193, Pocket::FootRight])]
    #[TestWith([1.349957, 0.065534, Pocket::HeadRight])]
    public function testAContactBesideARailStaysOnTheTable(float $x, float $y, Pocket $pocket): void
    {
        $simulator = new Simulator();
        $cache = new PlanningCache($simulator, Player::of(Level::Advanced));
        $layout = new Layout([1 => new Point($x, $y)]);
        $table = new CueBallTransitions($cache->grids, $layout, new Pot(1, $pocket));
        $ways = 0;
        foreach ((new TransitionsNeeded(1, \count(ArrivalSteps::SIDES)))->places() as $place) {
            foreach ($table->at(...TransitionsNeeded::cutAndSide($place))->ways as $way) {
                for ($i = 0; $i < \count($way); $i += 2) {
                    self::assertGreaterThan(-0.06, $way[$i]);
                    self::assertLessThan($simulator->geometry->length + 0.06, $way[$i]);
                    self::assertGreaterThan(-0.06, $way[$i + 1]);
                    self::assertLessThan($simulator->geometry->width + 0.06, $way[$i + 1]);
                }
                ++$ways;
            }
        }
        self::assertGreaterThan(200, $ways);
    }

    /** What another process has worked out is the same here: cuts, ways, stops and the balls they would meet. */
    public function testWhatAnotherProcessWorkedOutIsTheSame(): void
    {
        $cache = new PlanningCache(new Simulator(), Player::of(Level::League));
        $layout = new Layout([1 => new Point(1.6, 0.4), 5 => new Point(0.9, 0.8), 7 => new Point(2.0, 0.9)]);
        $make = static fn(): CueBallTransitions => new CueBallTransitions($cache->grids, $layout, new Pot(1, Pocket::FootLeft));
        $there = $make();
        $coarse = new TransitionsNeeded(ArrivalGrid::COARSE, 1);
        $here = $make();
        $here->learn($there->packed($coarse));
        self::assertTrue($here->covers($coarse));
        self::assertFalse($here->covers(new TransitionsNeeded(1, 1)));
        $here->learn($there->packed(new TransitionsNeeded(1, 2)));
        self::assertTrue($here->covers(new TransitionsNeeded(1, 1)));
        foreach ([[6, 0], [7, 0], [7, 1]] as [$cut, $side]) {
            self::assertSame($there->at($cut, $side)->x, $here->at($cut, $side)->x);
            self::assertSame($there->at($cut, $side)->ways, $here->at($cut, $side)->ways);
            self::assertSame($there->at($cut, $side)->touched($layout, 1), $here->at($cut, $side)->touched($layout, 1));
        }
    }
}
