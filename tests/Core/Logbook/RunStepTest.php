<?php

declare(strict_types=1);

namespace ZigLane\Tests\Core\Logbook;

use PHPUnit\Framework\TestCase;
use ZigLane\Core\InvalidInput;
use ZigLane\Core\Logbook\NextTable;
use ZigLane\Core\Logbook\RunStep;
use ZigLane\Core\Logbook\RunTurn;
use ZigLane\Core\Wording\RunWording;

final class RunStepTest extends TestCase
{
    private const TWO = '"rack":{"format":"zig-lane/rack","version":1,"game":"nine-ball","balls":{"cue":[2,2],"1":[5.5,1.25],"9":[6,3.1]}}';
    private const ONE = '"rack":{"format":"zig-lane/rack","version":1,"game":"nine-ball","balls":{"cue":[4,1],"9":[6,3.1]}},"meant":{"ball":"9","pocket":"foot-right","speed":{"lengths":1}}';
    private const ZONE = '"plan":{"pot":0.9,"runOut":%s,"rest":[4,1],"headingDeg":90,"zone":[[[3,0.5],[5,0.5],[5,1.5],[3,1.5]]]}';

    public function testEachShotTakesFromTheChanceOrAddsToIt(): void
    {
        $steps = RunStep::of([
            self::shot(self::TWO, 0.5, '{"made":true,"cue":[6.5,1],"moved":{"1":null}}'),
            self::shot(self::ONE, 0.3, '{"made":true,"cue":[1,1],"moved":{"9":null}}'),
        ]);
        self::assertSame([RunTurn::OutOfPosition, RunTurn::OutOfPosition], array_map(static fn(RunStep $s): RunTurn => $s->turn, $steps));
        self::assertEqualsWithDelta([-0.2, 0.7], array_map(static fn(RunStep $s): ?float => $s->change(), $steps), 1e-9);
        self::assertSame([
            'Run out; the chance was 50 % before the first shot.',
            'Most was lost by the shot at the 1: 20 points (out of position).',
            'Practise speed and position.',
        ], RunWording::summary($steps));
    }

    public function testAMissTakesAllAndAScratchToo(): void
    {
        $missed = RunStep::of([self::shot(self::TWO, 0.5, '{"made":false,"cue":[4,1],"moved":{"1":[7.5,0.4]},"missed":"thin"}')])[0];
        self::assertSame([RunTurn::Missed, -0.5], [$missed->turn, $missed->change()]);
        $scratched = RunStep::of([self::shot(self::TWO, 0.5, '{"made":false,"cue":null,"moved":{"1":null}}')])[0];
        self::assertSame([RunTurn::Scratched, -0.5], [$scratched->turn, $scratched->change()]);
        $moved = RunStep::of([self::shot(self::TWO, 0.5, '{"made":true,"cue":[4,1],"moved":{"1":null,"9":[6.5,3]}}')])[0];
        self::assertSame([RunTurn::BallMoved, null], [$moved->turn, $moved->change()], 'what comes next is not known');
        self::assertSame([], RunWording::summary([$moved]));
    }

    public function testWhyAPlanCameOffIsSaidInOneBreath(): void
    {
        $cm = static fn(float $m): string => \sprintf('%.0f cm', 100 * $m);
        $say = static fn(string $result): string => RunWording::cameOff(self::shot(self::TWO, 0.5, $result), $cm);
        self::assertSame('The cue ball stopped 32 cm long, out of the zone.', $say('{"made":true,"cue":[4,2],"moved":{"1":null}}'));
        self::assertSame('The cue ball stopped where it was meant, in the zone. The 9 was moved.', $say('{"made":true,"cue":[4,1],"moved":{"1":null,"9":[6,3]}}'));
        self::assertSame('The 1 stayed up. The cue ball stopped where it was meant, in the zone.', $say('{"made":false,"cue":[4,1],"moved":{"1":[7,1]}}'));
        self::assertSame('The cue ball was scratched.', $say('{"made":false,"cue":null,"moved":{"1":null}}'));
    }

    public function testTheNextTableIsWhatTheShotLeaves(): void
    {
        $next = NextTable::after(self::shot(self::TWO, 0.5, '{"made":true,"cue":[4,1],"moved":{"1":null}}'));
        self::assertSame([9], $next->layout->objectBalls());
        self::assertFalse($next->ballInHand);
        self::assertEqualsWithDelta([4.0, 1.0], $next->table->size->diamondsOf($next->layout->ball(0)), 1e-9);
        // After a scratch the ball is in hand; in an open table the first ball made takes its group.
        self::assertTrue(NextTable::after(self::shot(self::TWO, 0.5, '{"made":false,"cue":null,"moved":{"1":null}}'))->ballInHand);
        $open = '"rack":{"format":"zig-lane/rack","version":1,"game":"eight-ball","balls":{"cue":[2,2],"1":[5.5,1.25],"3":[5,3],"8":[4,3],"9":[6,3.1]}}';
        self::assertSame('solids', NextTable::after(self::shot($open, 0.5, '{"made":true,"cue":[4,1],"moved":{"1":null}}'))->group?->value);
        self::assertNull(NextTable::after(self::shot($open, 0.5, '{"made":false,"cue":[4,1],"moved":{"1":[7,1]}}'))->group);
        $this->expectException(InvalidInput::class);
        $this->expectExceptionMessage('The rack is over');
        NextTable::after(self::shot(self::ONE, 0.5, '{"made":true,"cue":[4,1],"moved":{"9":null}}'));
    }

    private static function shot(string $rack, float $runOut, string $result): \ZigLane\Core\Logbook\Attempt
    {
        return AttemptCsvTest::attempt('{' . $rack . ',' . \sprintf(self::ZONE, $runOut) . ",\"result\":$result}");
    }
}
