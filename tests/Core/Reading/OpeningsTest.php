<?php

declare(strict_types=1);

namespace ZigLane\Tests\Core\Reading;

use PHPUnit\Framework\TestCase;
use ZigLane\Core\Reading\Openings;
use ZigLane\Core\Simulation\Layout;
use ZigLane\Core\Table\Point;

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
}
