<?php

declare(strict_types=1);

namespace ZigLane\Tests\Core\Planning;

use PHPUnit\Framework\TestCase;
use ZigLane\Core\Files\PlanFile;
use ZigLane\Core\Planning\BreakShotSearch;
use ZigLane\Core\Planning\Plan;
use ZigLane\Core\Planning\PlanSearch;
use ZigLane\Core\Wording\PlanWording;
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
        self::assertStringContainsString('the rack on average', PlanWording::break($good));
        $straight = BreakShotSearch::best(Read::rack(['cue' => [5.3, 2.28], 1 => [6.2, 2.85]], 'straight-pool'));
        self::assertTrue(null === $straight || $straight->spread * $straight->pot < $good->spread * $good->pot);
    }

    /** Far from the rack there is no break shot; nor with a ball where the rack stands. */
    public function testFarFromTheRackThereIsNone(): void
    {
        self::assertNull(BreakShotSearch::best(Read::rack(['cue' => [3.0, 2.0], 1 => [1.2, 1.0]], 'straight-pool')));
        self::assertNull(BreakShotSearch::best(Read::rack(['cue' => [3.0, 2.0], 1 => [6.3, 2.0]], 'straight-pool')));
    }

    /**
     * A rack that stands is planned as its break shot; what is said of it holds when it is played (counted here under other errors
     * than the search knew), and the same try leaves the same rack.
     */
    public function testTheBreakIsPlannedAndPlayed(): void
    {
        $found = BreakShotSearch::best(Read::rack(['cue' => [4.9, 3.0], 1 => [6.2, 2.85]], 'straight-pool'));
        self::assertNotNull($found);
        self::assertTrue(BreakShotSearch::stands($found->rack));
        $plan = (new PlanSearch($found->rack->withLegs([])))->plan();
        self::assertNotNull($plan->break);
        self::assertSame([1, 'foot-right'], [$plan->break->ball, $plan->break->pocket->value]);
        self::assertStringStartsWith('The rack stands', (string) PlanWording::stopped($plan));

        $good = $loose = 0;
        foreach ($found->tries(1, 100) as $layout) {
            if (null !== $layout) {
                ++$good;
                foreach ($layout->objectBalls() as $ball) {
                    $loose += $layout->ball($ball)->distanceTo($found->rack->layout->ball($ball)) > 0.08 ? 1 : 0;
                }
                $loose += 14 - \count($layout->objectBalls());
            }
        }
        // 32 tries in the search and 100 here: three standard deviations of their difference.
        self::assertEqualsWithDelta($found->pot, $good / 100, 3 * sqrt($found->pot * (1 - $found->pot) * (1 / 32 + 1 / 100)) + 0.01);
        self::assertEqualsWithDelta($found->spread, $loose / max(1, $good), 2.0);

        [$next, $try] = $found->next(1) ?? self::fail('No try drops the ball.');
        self::assertSame([], $next->legs);
        self::assertFalse($next->layout->has(1));
        self::assertEquals($next, $found->next($try)[0] ?? null);
    }

    /** A plan with its break shot is the same after it has been written down and read again. */
    public function testThePlanKeepsIt(): void
    {
        $rack = Read::rack(['cue' => [4.9, 3.0], 1 => [6.2, 2.85]], 'straight-pool');
        $found = BreakShotSearch::best($rack);
        $plan = new Plan($rack, [], 0.0, null, break: $found);
        $written = json_decode(json_encode(PlanFile::describe($plan), \JSON_THROW_ON_ERROR), false, 64, \JSON_THROW_ON_ERROR);
        self::assertInstanceOf(\stdClass::class, $written);
        $read = PlanFile::read($written, $rack)->break;
        self::assertNotNull($found);
        self::assertNotNull($read);
        self::assertSame([$found->ball, $found->pocket, PlanWording::break($found)], [$read->ball, $read->pocket, PlanWording::break($read)]);
        self::assertSame($found->next(1)[1] ?? null, $read->next(1)[1] ?? null);
    }
}
