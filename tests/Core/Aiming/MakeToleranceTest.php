<?php

declare(strict_types=1);

namespace ZigLane\Tests\Core\Aiming;

use PHPUnit\Framework\TestCase;
use ZigLane\Core\Aiming\MakeTolerance;
use ZigLane\Core\Equipment\Pocket;
use ZigLane\Core\Equipment\Table;
use ZigLane\Core\Physics\Simulator;

/**
 * How much a pocket forgives; all but the closed form is common practice, no source.
 */
final class MakeToleranceTest extends TestCase
{
    private static function half(float $mouthInches, Pocket $pocket, float $distance, float $degrees, float $speed): float
    {
        $table = new Table(cornerMouth: $mouthInches * 0.0254, sideMouth: $mouthInches * 0.0254);
        $half = (new MakeTolerance(new Simulator($table)))->half($pocket, $distance, deg2rad($degrees), $speed);
        self::assertNotNull($half);

        return rad2deg($half);
    }

    /**
     * Square on and hard, the jaws give little: the tolerance is about the free mouth's half over the distance. Slow balls
     * get more, since the jaws let them in.
     */
    public function testSquareOnItIsNearTheClosedForm(): void
    {
        foreach ([4.0, 4.5, 5.0] as $inches) {
            $simulator = new Simulator();
            $free = rad2deg(asin(($inches * 0.0254 / 2 - $simulator->geometry->reach) / 1.0));
            $hard = self::half($inches, Pocket::FootLeft, 1.0, 0, 3.0);
            self::assertGreaterThan($free, $hard);
            self::assertLessThan(1.25 * $free, $hard);
            self::assertGreaterThan($hard, self::half($inches, Pocket::FootLeft, 1.0, 0, 0.6));
        }
    }

    public function testWiderPocketsAndNearerBallsForgiveMore(): void
    {
        foreach ([Pocket::FootLeft, Pocket::SideLeft] as $pocket) {
            self::assertLessThan(self::half(5.0, $pocket, 1.0, 10, 1.5), self::half(4.0, $pocket, 1.0, 10, 1.5));
            self::assertLessThan(self::half(4.5, $pocket, 0.5, 10, 1.5), self::half(4.5, $pocket, 1.0, 10, 1.5));
        }
    }

    public function testAlongTheRailSpeedCosts(): void
    {
        self::assertLessThan(0.7 * self::half(4.5, Pocket::FootLeft, 1.0, 40, 0.6), self::half(4.5, Pocket::FootLeft, 1.0, 40, 5.0));
    }

    public function testASidePocketClosesAsTheApproachFlattens(): void
    {
        $last = INF;
        foreach ([0, 20, 40, 55] as $degrees) {
            $half = self::half(5.0, Pocket::SideLeft, 1.0, $degrees, 1.5);
            self::assertLessThan($last, $half);
            $last = $half;
        }
        self::assertLessThan(0.15, self::half(5.0, Pocket::SideLeft, 0.6, 72, 1.5));
    }

    public function testWhereNoBallCanLieThereIsNoAnswer(): void
    {
        self::assertNull((new MakeTolerance(new Simulator()))->half(Pocket::FootLeft, 1.0, deg2rad(60), 1.0));
    }
}
