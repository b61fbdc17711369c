<?php

declare(strict_types=1);

namespace ZigLane\Tests\Core\Physics;

use PHPUnit\Framework\TestCase;
use ZigLane\Core\Equipment\BallId;
use ZigLane\Core\Geometry\Point;
use ZigLane\Core\InvalidInput;
use ZigLane\Core\Physics\EventType;
use ZigLane\Core\Physics\Layout;
use ZigLane\Core\Physics\Shot;
use ZigLane\Core\Physics\Simulator;
use ZigLane\Core\Physics\TableLengths;
use ZigLane\Core\Physics\Tip;
use ZigLane\Core\Settings\Defaults;

/**
 * One ball on the cloth. Closed forms of rigid-body mechanics; g = 9.80665 m/s², μs = 0.2, μr = 0.01.
 */
final class ClothTest extends TestCase
{
    /** A stunned ball at 1 m/s slides for 2v/(7 μs g) = 0.146 s and 0.125 m and then rolls with 5/7 of its speed. */
    public function testAStunnedBallSettlesToFiveSevenths(): void
    {
        $cueSpeed = 1.0 / (1.75 / (1 + 0.170 / 0.567));
        $result = (new Simulator())->play(new Layout([BallId::CUE => new Point(0.3, 0.6)]), new Shot(0.0, $cueSpeed));
        $slide = Layouts::piece($result, BallId::CUE, false);
        $roll = Layouts::piece($result, BallId::CUE, true);
        self::assertEqualsWithDelta(1.0, Layouts::speed($slide), 1e-12);
        self::assertEqualsWithDelta(0.146, $slide->to, 0.0005);
        self::assertEqualsWithDelta(0.125, $slide->length(), 0.0005);
        self::assertEqualsWithDelta(5 / 7, Layouts::speed($roll), 1e-9);
    }

    public function testARollingBallStopsAfterVSquaredOverTwoMuG(): void
    {
        $shot = new Shot(0.0, 0.4, new Tip(0.0, 0.4));
        $result = (new Simulator())->play(new Layout([BallId::CUE => new Point(0.3, 0.6)]), $shot);
        $roll = Layouts::piece($result, BallId::CUE, true);
        self::assertSame(0.0, $roll->from, 'it rolls from the first');
        $v = Layouts::speed($roll);
        self::assertEqualsWithDelta($v * $v / (2 * 0.01 * Defaults::GRAVITY), $roll->length(), 1e-9);
        self::assertEqualsWithDelta(0.3 + $roll->length(), $result->final->ball(BallId::CUE)->x, 1e-9);
    }

    /** Draw on an open table: the ball slides to a stop and comes back, on one parabola. */
    public function testDrawBringsTheBallBackOnlyWhenThereIsMoreSpinThanSpeed(): void
    {
        $result = (new Simulator())->play(new Layout([BallId::CUE => new Point(0.6, 0.6)]), new Shot(0.0, 1.0, new Tip(0.0, -0.5)));
        // v settles to (5 v + 2 R ω)/7 with R ω = −(5/2)(1/2) v: 5/7 − 2.5/7 = 5/14 of v, still forward.
        $slide = Layouts::piece($result, BallId::CUE, false);
        $roll = Layouts::piece($result, BallId::CUE, true);
        self::assertEqualsWithDelta(5 / 14, $roll->vx / $slide->vx, 1e-9);
    }

    public function testEventsComeInOrderAndEndWithAStop(): void
    {
        $result = (new Simulator())->play(new Layout([BallId::CUE => new Point(0.6, 0.6)]), new Shot(0.7, 2.0));
        $times = array_map(static fn($e): float => $e->time, $result->events);
        $sorted = $times;
        sort($sorted);
        self::assertSame($sorted, $times);
        self::assertSame(EventType::CueStrike, $result->events[0]->type);
        self::assertSame(EventType::Stop, $result->events[\count($result->events) - 1]->type);
    }

    /** Pieces join: each begins where and when the one before ended. */
    public function testThePathHasNoGaps(): void
    {
        $result = (new Simulator())->play(new Layout([BallId::CUE => new Point(0.6, 0.6)]), new Shot(0.7, 3.0, new Tip(0.3, -0.3)));
        $pieces = $result->paths[BallId::CUE];
        self::assertGreaterThan(4, \count($pieces));
        for ($i = 1; $i < \count($pieces); ++$i) {
            self::assertSame($pieces[$i - 1]->to, $pieces[$i]->from);
            self::assertEqualsWithDelta(0.0, $pieces[$i - 1]->end()->distanceTo($pieces[$i]->start), 1e-12);
        }
    }

    /** By definition two lengths are down the table and back; a twentieth less stays off the second rail. */
    public function testTwoLengthsGoDownTheTableAndBack(): void
    {
        $simulator = new Simulator();
        $speed = (new TableLengths($simulator))->toSpeed(1.95);
        $reach = $simulator->geometry->reach;
        $result = $simulator->play(new Layout([BallId::CUE => new Point($reach, 0.6)]), new Shot(0.0, $speed, new Tip(0.0, 0.2)));
        self::assertCount(1, $result->eventsOf(BallId::CUE, EventType::BallCushion));
        $length = $simulator->geometry->length - 2 * $reach;
        self::assertEqualsWithDelta($reach + 0.05 * $length, $result->final->ball(BallId::CUE)->x, 0.003);
    }

    public function testLengthsAndSpeedAreEachOthersInverse(): void
    {
        $lengths = new TableLengths(new Simulator());
        $last = 0.0;
        foreach ([0.3, 1.0, 2.5, 4.0, 6.0] as $want) {
            $speed = $lengths->toSpeed($want);
            self::assertGreaterThan($last, $speed);
            self::assertEqualsWithDelta($want, $lengths->ofSpeed($speed), 0.002);
            $last = $speed;
        }
    }

    public function testMoreLengthsThanAnyoneCanSendAreRefused(): void
    {
        $this->expectException(InvalidInput::class);
        $this->expectExceptionMessageMatches('/speed\.lengths: 40\.0 is more than a person can send the cue ball \(limit \d+\.\d table lengths here\)/');
        (new TableLengths(new Simulator()))->toSpeed(40.0);
    }
}
