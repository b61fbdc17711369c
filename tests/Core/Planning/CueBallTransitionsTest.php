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
use ZigLane\Core\Planning\Value\CueBallTransitions;
use ZigLane\Core\Planning\Value\PlanningCache;
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
        $table = CueBallTransitions::of($cache->grids, $layout, new Pot(1, $pocket), true);
        foreach ($table->ways as $way) {
            for ($i = 0; $i < \count($way); $i += 2) {
                self::assertGreaterThan(-0.06, $way[$i]);
                self::assertLessThan($simulator->geometry->length + 0.06, $way[$i]);
                self::assertGreaterThan(-0.06, $way[$i + 1]);
                self::assertLessThan($simulator->geometry->width + 0.06, $way[$i + 1]);
            }
        }
        self::assertNotEmpty($table->x);
    }
}
