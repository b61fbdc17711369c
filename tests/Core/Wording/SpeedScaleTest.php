<?php

declare(strict_types=1);

namespace ZigLane\Tests\Core\Wording;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use ZigLane\Core\InvalidInput;
use ZigLane\Core\Physics\Simulator;
use ZigLane\Core\Physics\TableLengths;
use ZigLane\Core\Settings\Defaults;
use ZigLane\Core\Wording\SpeedScale;

final class SpeedScaleTest extends TestCase
{
    public function testANameIsTheNearestByRatio(): void
    {
        $usual = new SpeedScale();
        self::assertSame('lag', $usual->name(2.0));
        self::assertSame('touch', $usual->name(0.01));
        self::assertSame('charge', $usual->name(9.0));
        // Between 1 and 1.5 the middle by ratio is 1.2247.
        self::assertSame('stroll', $usual->name(1.22));
        self::assertSame('walk', $usual->name(1.23));
        $own = new SpeedScale(['soft' => 1.0, 'Mittel' => 2.0, 'très fort' => 4.0]);
        self::assertSame('très fort', $own->name(3.0));
        self::assertEquals($own, SpeedScale::ofText($own->text()));
        self::assertEquals($usual, SpeedScale::ofText($usual->text()));
        self::assertLessThanOrEqual(200, \strlen($usual->text()), 'as long as a setting may be');
    }

    /** @return iterable<string, array{array<string, float>, string}> */
    public static function faults(): iterable
    {
        yield 'too few' => [['a' => 1.0, 'b' => 2.0], '2 paces: there must be 3 to 10'];
        yield 'not rising' => [['a' => 1.0, 'b' => 1.0, 'c' => 2.0], '"b" at 1 lengths'];
        yield 'too far' => [['a' => 1.0, 'b' => 2.0, 'c' => 12.0], '"c" at 12 lengths: from 0.1 to 9'];
        yield 'a comma in a name' => [['a,b' => 1.0, 'b' => 2.0, 'c' => 3.0], '"a,b" is no name'];
        yield 'a long name' => [['abcdefghijklm' => 1.0, 'b' => 2.0, 'c' => 3.0], 'is no name: 1 to 12 letters'];
    }

    /** @param non-empty-array<string, float> $names */
    #[DataProvider('faults')]
    public function testAScaleThatIsNoneIsRefused(array $names, string $says): void
    {
        $this->expectException(InvalidInput::class);
        $this->expectExceptionMessage($says);
        new SpeedScale($names);
    }

    /** @return iterable<string, array{string}> */
    public static function damaged(): iterable
    {
        foreach (['x', 'a 1,b', 'a 1,b 2,c 1e', ',,', 'a 1,b 2,a 3'] as $text) {
            yield $text => [$text];
        }
    }

    #[DataProvider('damaged')]
    public function testWhatIsStoredMayBeDamaged(string $text): void
    {
        $this->expectException(InvalidInput::class);
        SpeedScale::ofText($text);
    }

    /**
     * A ball that only rolls slows evenly and takes 2 s/v for its way: half a length with no rail in it, checked against that closed form
     * (the slide of the first centimetres makes it a little different).
     */
    public function testSecondsAreThoseOfARollingBall(): void
    {
        $lengths = new TableLengths(new Simulator());
        $speed = $lengths->toSpeed(0.5);
        $way = 0.5 * (2.54 - 2 * Defaults::BALL_RADIUS);
        $slowing = Defaults::CLOTH_ROLL * Defaults::GRAVITY;
        self::assertEqualsWithDelta(sqrt(2 * $way / $slowing), $lengths->seconds($speed), 0.05 * sqrt(2 * $way / $slowing));
    }
}
