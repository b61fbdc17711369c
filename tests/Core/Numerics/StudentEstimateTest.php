<?php

declare(strict_types=1);

namespace ZigLane\Tests\Core\Numerics;

use PHPUnit\Framework\TestCase;
use ZigLane\Core\Numerics\Generator;
use ZigLane\Core\Numerics\StudentEstimate;

final class StudentEstimateTest extends TestCase
{
    /** Worked out by hand: s² 2.5, t(4) at 90 % 2.132. */
    public function testTheMeanOfFiveNumbers(): void
    {
        self::assertEqualsWithDelta([3.0, 1.493, 4.507], StudentEstimate::mean([1, 2, 3, 4, 5]), 0.002);
        self::assertEqualsWithDelta([2.0, 2.0, 2.0], StudentEstimate::slope([1, 3, 5, 7]), 1e-9);
    }

    /** A 90 % interval holds the truth in 90 of 100: a binomial share of 2,000 lies within 2.2 points of it. */
    public function testTheIntervalsHoldAsOftenAsTheySay(): void
    {
        $random = new Generator(5);
        $mean = $slope = 0;
        for ($n = 0; $n < 2000; ++$n) {
            $values = array_map(static fn(int $k): float => 3.0 + 0.5 * $k + $random->normal(), range(-3, 3));
            [, $low, $high] = StudentEstimate::slope($values);
            $slope += $low < 0.5 && $high > 0.5 ? 1 : 0;
            $flat = array_map(static fn(int $_): float => 3.0 + $random->normal(), range(1, 5));
            [, $low, $high] = StudentEstimate::mean($flat);
            $mean += $low < 3.0 && $high > 3.0 ? 1 : 0;
        }
        self::assertEqualsWithDelta(0.9, $mean / 2000, 0.022);
        self::assertEqualsWithDelta(0.9, $slope / 2000, 0.022);
    }
}
