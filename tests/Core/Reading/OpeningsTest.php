<?php

declare(strict_types=1);

namespace ZigLane\Tests\Core\Reading;

use PHPUnit\Framework\TestCase;
use ZigLane\Core\Equipment\Pocket;
use ZigLane\Core\Equipment\Table;
use ZigLane\Core\Geometry\Point;
use ZigLane\Core\Physics\Layout;
use ZigLane\Core\Physics\Simulator;
use ZigLane\Core\Reading\Openings;

final class OpeningsTest extends TestCase
{
    /**
     * What is taken over from a reading with a ball elsewhere is what a fresh reading says.
     */
    public function testAfterABallHasMovedTheReadingIsThatOfAFreshOne(): void
    {
        $rack = Read::rack(['cue' => [1, 1], 1 => [3, 1], 2 => [3.4, 1.2], 3 => [6, 2], 4 => [6.6, 2.5], 5 => [7.5, 3.4], 9 => [4.2, 3.8]]);
        $simulator = $rack->simulator();
        $before = Openings::of($simulator, $rack->layout);
        $changes = [
            $rack->layout->with(2, new Point(1.6, 0.5)),
            $rack->layout->with(9, new Point(2.0, 0.4)),
            $rack->layout->with(7, new Point(1.9, 0.9)),
            new Layout(array_diff_key($rack->layout->balls, [4 => true])),
        ];
        foreach ($changes as $layout) {
            $fresh = Openings::of($simulator, $layout);
            self::assertEquals($fresh, Openings::of($simulator, $layout, $before));
            self::assertNotEquals($before, $fresh);
        }
    }

    /**
     * A ball sent square at a pocket that it can enter without touching a jaw has mouth − ball to play with, and it still
     * drops off a jaw, but never from beyond the nose: between (mouth − 2R)/d and mouth/d. Mouths: 4.5 in corners and 5 in
     * sides are the equipment specification of the World Pool-Billiard Association (corner 4.5–4.625 in, side 5–5.125 in;
     * from memory), 2.25 in balls: the corner mouth is two balls wide. 4 and 5 in are tight and league tables (common
     * practice, no source).
     */
    public function testAnOpeningIsTheMouthLessTheBallAndALittleMore(): void
    {
        foreach ([4.0, 4.25, 4.5, 5.0] as $corner) {
            $table = new Table(cornerMouth: $corner * 0.0254, sideMouth: ($corner + 0.5) * 0.0254);
            $simulator = new Simulator($table);
            foreach ([Pocket::FootLeft, Pocket::SideRight] as $pocket) {
                $shape = $simulator->geometry->pocket($pocket);
                $mouth = $shape->tipA->distanceTo($shape->tipB);
                $square = Pocket::SideRight === $pocket ? -M_PI / 2 : atan2($simulator->geometry->width / 2 - $shape->mouthMiddle()->y, -$simulator->geometry->width / 2);
                foreach ([0.4, 0.7, 0.9] as $far) {
                    $from = $shape->mouthMiddle()->toward($square, $far);
                    $layout = new Layout([0 => new Point(0.3, 0.3), 1 => $from]);
                    $opening = Openings::opening($simulator, $layout, 1, $pocket);
                    self::assertGreaterThan(($mouth - 2 * $simulator->ball->radius) / $far, $opening->free, "$corner {$pocket->value} $far");
                    self::assertLessThan($mouth / $far, $opening->free, "$corner {$pocket->value} $far");
                }
            }
        }
    }
}
