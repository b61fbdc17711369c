<?php

declare(strict_types=1);

namespace ZigLane\Tests\Core\Measuring;

use PHPUnit\Framework\TestCase;
use ZigLane\Core\Equipment\Cushion;
use ZigLane\Core\Measuring\CushionFit;
use ZigLane\Core\Settings\Defaults;

final class CushionFitTest extends TestCase
{
    public function testTheDefaultsAreWhatTheFitFinds(): void
    {
        $best = CushionFit::search(1)[0];
        self::assertSame([Defaults::CUSHION_RESTITUTION, Defaults::CUSHION_FRICTION], [$best['restitution'], $best['friction']]);
    }

    public function testEveryTargetIsMet(): void
    {
        $values = CushionFit::describe(new Cushion());
        foreach (CushionFit::TARGETS as $name => [$low, $high]) {
            self::assertGreaterThan($low, $values[$name]);
            self::assertLessThan($high, $values[$name]);
        }
    }

    /** The friction that the fit starts from leaves a rolling ball's 45° rebound too long, and reverse side without effect. */
    public function testTheStartingFrictionIsRefused(): void
    {
        self::assertNull(CushionFit::score(new Cushion(0.95, 0.14)));
    }
}
