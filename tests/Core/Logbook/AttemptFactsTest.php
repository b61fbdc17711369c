<?php

declare(strict_types=1);

namespace ZigLane\Tests\Core\Logbook;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use ZigLane\Core\Logbook\AttemptFacts;
use ZigLane\Core\Logbook\CountedShare;
use ZigLane\Core\Logbook\Spin;
use ZigLane\Core\Physics\Tip;
use ZigLane\Core\Wording\LogbookWording;

final class AttemptFactsTest extends TestCase
{
    public function testALineThroughBothBallsIsNoCut(): void
    {
        // On the long middle line of a 9-ft table into a side pocket: across, a right angle.
        $facts = self::facts('{"rack":{"format":"zig-lane/rack","version":1,"game":"nine-ball","balls":{"cue":[4,3],"9":[4,2]}},"meant":{"ball":"9","pocket":"side-left","speed":{"lengths":1.5}},"result":{"made":true,"cue":[4,2.2]}}');
        self::assertEqualsWithDelta(0.0, $facts->cutDeg, 0.5);
        // A diamond is 0.3175 m; the ghost ball lies two radii before the ball.
        self::assertEqualsWithDelta(0.3175 - 0.05715, $facts->distance, 1e-3);
        self::assertSame(1.5, $facts->lengths);
    }

    public function testWhereItStoppedIsToldAlongAndAcrossItsWay(): void
    {
        $place = static fn(string $cue): AttemptFacts => self::facts("{\"result\":{\"made\":true,\"cue\":$cue}}");
        // It was to come to 4, 1 heading to the right rail (90° from the long rail): further across is longer.
        $long = $place("[4,1.4]");
        self::assertEqualsWithDelta(0.4 * 0.3175, $long->long, 1e-6);
        self::assertEqualsWithDelta(0.0, $long->wide, 1e-6);
        // Who looks along +y sees the head rail (−x) to the right, since y runs to the right of x.
        self::assertEqualsWithDelta(0.3175, $place('[3,1]')->wide, 1e-6);
        self::assertSame([true, true, false], [$long->inPosition, $place('[3.1,1]')->inPosition, $place('[2.9,1]')->inPosition]);
    }

    public function testAScratchHasNoStop(): void
    {
        $facts = self::facts('{"result":{"made":false,"cue":null}}');
        self::assertSame([true, null, null, false], [$facts->scratched, $facts->long, $facts->wide, $facts->inPosition]);
    }

    public function testASpeedOfTheCueIsToldInLengths(): void
    {
        self::assertEqualsWithDelta(2.0, self::facts('{"meant":{"ball":"1","pocket":"foot-left","speed":{"mps":2.4}}}')->lengths, 1.0);
    }

    /**
     * @return iterable<array{float, float, Spin}>
     */
    public static function spins(): iterable
    {
        yield [0.0, 0.05, Spin::Centre];
        yield [0.05, 0.3, Spin::Follow];
        yield [-0.05, -0.3, Spin::Draw];
        yield [-0.25, 0.0, Spin::Side];
        yield [0.25, 0.25, Spin::FollowSide];
        yield [-0.25, -0.25, Spin::DrawSide];
    }

    #[DataProvider('spins')]
    public function testSpinGoesByTheTip(float $side, float $height, Spin $spin): void
    {
        self::assertSame($spin, Spin::of(new Tip($side, $height)));
    }

    public function testSmallSamplesLookSmall(): void
    {
        self::assertSame('3 of 5', LogbookWording::share(new CountedShare(3, 5)));
        // 61 of 100: Wilson's interval is 51.2–70.0 %.
        self::assertSame('61 % (51–70)', LogbookWording::share(new CountedShare(61, 100)));
        self::assertSame('', LogbookWording::against(new CountedShare(3, 5), 0.9));
        self::assertSame('75 % promised: fewer than expected', LogbookWording::against(new CountedShare(61, 100), 0.75));
        self::assertSame('65 % promised: as expected', LogbookWording::against(new CountedShare(61, 100), 0.65));
        self::assertSame('40 % promised: more than expected', LogbookWording::against(new CountedShare(61, 100), 0.4));
    }

    public function testStopsAreSaidAsOneStandsBehindTheWay(): void
    {
        $cm = static fn(float $m): string => \sprintf('%.0f cm', 100 * $m);
        self::assertSame('12 cm short, 5 cm to the left', LogbookWording::stop(-0.12, -0.05, $cm));
        self::assertSame('where it was meant', LogbookWording::stop(0.01, -0.01, $cm));
        self::assertSame('', LogbookWording::stop(null, null, $cm));
    }

    private static function facts(string $change): AttemptFacts
    {
        return AttemptFacts::of(AttemptCsvTest::attempt($change));
    }
}
