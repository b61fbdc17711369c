<?php

declare(strict_types=1);

namespace ZigLane\Tests\Core\Decision;

use PHPUnit\Framework\TestCase;
use ZigLane\Core\Decision\Sight;
use ZigLane\Core\Geometry\Point;
use ZigLane\Core\Physics\Layout;

final class SightTest extends TestCase
{
    private const DIAMETER = 0.05715;

    public function testABallThatLiesFreeIsSeenWhole(): void
    {
        self::assertSame(1.0, Sight::of(self::layout([5 => [1.5, 0.2]]), 1, self::DIAMETER));
    }

    public function testABallOnTheLineHidesIt(): void
    {
        self::assertSame(0.0, Sight::of(self::layout([5 => [0.7, 0.6]]), 1, self::DIAMETER));
    }

    /** A ball 1.2 diameters aside, 0.6 m off, hides what is hit more than 0.37 diameters on its side of the middle of one 1.1 m off. */
    public function testABallAsideLeavesTheOtherSide(): void
    {
        $layout = self::layout([5 => [1.0, 0.6 + 1.2 * self::DIAMETER]]);
        self::assertEqualsWithDelta((0.98 + 0.37) / 1.96, Sight::of($layout, 1, self::DIAMETER), 0.07);
        self::assertEqualsWithDelta(0.37 * self::DIAMETER / 1.1, array_reverse(Sight::directions($layout, 1, self::DIAMETER))[0], 0.14 * self::DIAMETER / 1.1);
    }

    /** A ball behind the target, or touching it from behind, hides nothing. */
    public function testABallBehindHidesNothing(): void
    {
        self::assertSame(1.0, Sight::of(self::layout([5 => [1.5 + self::DIAMETER, 0.6]]), 1, self::DIAMETER));
    }

    /**
     * @param array<int, array{float, float}> $others
     */
    private static function layout(array $others): Layout
    {
        $balls = [0 => new Point(0.4, 0.6), 1 => new Point(1.5, 0.6)];
        foreach ($others as $ball => $at) {
            $balls[$ball] = new Point(...$at);
        }

        return new Layout($balls);
    }
}
