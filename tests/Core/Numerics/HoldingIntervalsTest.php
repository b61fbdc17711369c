<?php

declare(strict_types=1);

namespace ZigLane\Tests\Core\Numerics;

use PHPUnit\Framework\TestCase;
use ZigLane\Core\Numerics\HoldingIntervals;

final class HoldingIntervalsTest extends TestCase
{
    public function testIntervalsAreFoundToTheirEdges(): void
    {
        $holds = static fn(float $at): bool => $at < -0.71 || ($at > 0.123 && $at < 0.456);
        $found = HoldingIntervals::scanned($holds, -1.0, 1.0, 40, static fn(float $in, float $out): float => HoldingIntervals::edge($holds, $in, $out, 30)[0]);
        self::assertCount(2, $found);
        self::assertSame(-1.0, $found[0][0], 'it begins with the range');
        foreach ([[$found[0][1], -0.71], [$found[1][0], 0.123], [$found[1][1], 0.456]] as [$edge, $true]) {
            self::assertEqualsWithDelta($true, $edge, 1e-9);
            self::assertTrue($holds($edge), 'from within');
        }
        self::assertSame([], HoldingIntervals::scanned(static fn(): bool => false, 0.0, 1.0, 5, static fn(): float => self::fail('no edge')));
        self::assertSame([[0.0, 1.0]], HoldingIntervals::scanned(static fn(): bool => true, 0.0, 1.0, 5, static fn(): float => self::fail('no edge')));
    }

    public function testAnEdgeLiesBetween(): void
    {
        [$inside, $outside] = HoldingIntervals::edge(static fn(float $at): bool => $at > 0.3, 1.0, 0.0, 4);
        self::assertSame(1 / 16, $inside - $outside);
        self::assertGreaterThan(0.3, $inside);
        self::assertLessThanOrEqual(0.3, $outside);
    }
}
