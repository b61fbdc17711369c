<?php

declare(strict_types=1);

namespace ZigLane\Tests\Core\Reading;

use PHPUnit\Framework\TestCase;
use ZigLane\Core\Geometry\Contour;
use ZigLane\Core\Geometry\Region;

final class RegionTest extends TestCase
{
    public function testARingWithAHoleHasItsArea(): void
    {
        // Height falls off either side of a circle of radius 1: at least 0.5 between radii 0.5 and 1.5.
        $axis = array_map(static fn(int $i): float => -2.0 + $i * 0.05, range(0, 80));
        $values = array_map(static fn(float $x): array => array_map(static fn(float $y): float => 1.0 - abs(hypot($x, $y) - 1.0), $axis), $axis);
        $region = new Region(Contour::rings($axis, $axis, $values, 0.5));
        self::assertCount(2, $region->rings);
        self::assertEqualsWithDelta(M_PI * (1.5 ** 2 - 0.5 ** 2), $region->area(), 0.02);
        self::assertFalse($region->contains(0.0, 0.1));
        self::assertTrue($region->contains(1.0, 0.1));
        self::assertFalse($region->contains(1.6, 0.1));
    }

    public function testWhatReachesTheBorderIsClosedThere(): void
    {
        $axis = [0.0, 1.0, 2.0];
        $region = new Region(Contour::rings($axis, $axis, [[1.0, 1.0, 1.0], [1.0, 1.0, 1.0], [1.0, 1.0, 1.0]], 0.5));
        self::assertEqualsWithDelta(4.0, $region->area(), 0.01);
        self::assertTrue((new Region([]))->isEmpty());
        self::assertFalse((new Region([]))->contains(0.0, 0.0));
    }
}
