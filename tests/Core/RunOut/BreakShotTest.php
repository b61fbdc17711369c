<?php

declare(strict_types=1);

namespace ZigLane\Tests\Core\RunOut;

use PHPUnit\Framework\TestCase;
use ZigLane\Core\RunOut\BreakShotSearch;
use ZigLane\Tests\Core\Reading\Read;

final class BreakShotTest extends TestCase
{
    /**
     * A ball beside the rack, the cue ball behind it at an angle: it is potted and the rack opens; straight behind it nothing
     * takes the cue ball there (common practice, no source).
     */
    public function testAnAngleOpensTheRack(): void
    {
        $good = BreakShotSearch::best(Read::rack(['cue' => [4.9, 3.0], 1 => [6.2, 2.85]], 'straight-pool'));
        self::assertNotNull($good);
        self::assertSame('foot-right', $good->pocket->value);
        self::assertGreaterThan(0.6, $good->pot);
        self::assertGreaterThan(4.0, $good->spread);
        self::assertStringContainsString('the rack on average', $good->words());
        $straight = BreakShotSearch::best(Read::rack(['cue' => [5.3, 2.28], 1 => [6.2, 2.85]], 'straight-pool'));
        self::assertTrue(null === $straight || $straight->spread * $straight->pot < $good->spread * $good->pot);
    }

    /** Far from the rack there is no break shot; nor with a ball where the rack stands. */
    public function testFarFromTheRackThereIsNone(): void
    {
        self::assertNull(BreakShotSearch::best(Read::rack(['cue' => [3.0, 2.0], 1 => [1.2, 1.0]], 'straight-pool')));
        self::assertNull(BreakShotSearch::best(Read::rack(['cue' => [3.0, 2.0], 1 => [6.3, 2.0]], 'straight-pool')));
    }
}
