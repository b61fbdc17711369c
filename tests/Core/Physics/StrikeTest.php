<?php

declare(strict_types=1);

namespace ZigLane\Tests\Core\Physics;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use ZigLane\Core\Equipment\BallId;
use ZigLane\Core\Equipment\BallSpec;
use ZigLane\Core\Equipment\CueSpec;
use ZigLane\Core\Geometry\Point;
use ZigLane\Core\InvalidInput;
use ZigLane\Core\Physics\CueStrike;
use ZigLane\Core\Physics\EventType;
use ZigLane\Core\Physics\Layout;
use ZigLane\Core\Physics\Shot;
use ZigLane\Core\Physics\Simulator;
use ZigLane\Core\Physics\Tip;

final class StrikeTest extends TestCase
{
    /** Momentum and restitution between a 0.567 kg cue and a 0.170 kg ball: 1.75/(1 + 0.170/0.567) = 1.346. */
    public function testCentreBallLeavesAt135TimesTheCuesSpeed(): void
    {
        $strike = CueStrike::of((new Shot(0.0, 2.0))->stroke(), new CueSpec(), new BallSpec());
        self::assertEqualsWithDelta(1.346 * 2.0, $strike->vx, 0.002);
        self::assertSame(0.0, $strike->vy);
    }

    /**
     * R. Shepard, "Everything you always wanted to know about cue ball squirt, but were afraid to ask", 2001.
     *
     * @return iterable<string, array{float, float}>
     */
    public static function squirts(): iterable
    {
        yield 'heavy end' => [20.0, 2.7];
        yield 'ordinary' => [30.0, 1.9];
        yield 'light end' => [45.0, 1.3];
    }

    #[DataProvider('squirts')]
    public function testSquirtAtHalfARadius(float $ratio, float $degrees): void
    {
        self::assertEqualsWithDelta($degrees, rad2deg(CueStrike::squirt(0.5, new CueSpec(endMassRatio: $ratio))), 0.05);
    }

    /** Rigid-body mechanics: ω = (5/2)(b/R) v, which is v/R at b = 2/5. */
    public function testStruckTwoFifthsAboveCentreItRollsAtOnce(): void
    {
        $strike = CueStrike::of((new Shot(0.3, 2.0, new Tip(0.0, 0.4)))->stroke(), new CueSpec(), new BallSpec());
        self::assertEqualsWithDelta(0.0, $strike->vx - Layouts::R * $strike->wy, 1e-12);
        self::assertEqualsWithDelta(0.0, $strike->vy + Layouts::R * $strike->wx, 1e-12);
    }

    /** A tip on the right squirts the ball left of the cue's line. Left of +x is −y: y runs from the left rail. */
    public function testRightSideSquirtsLeft(): void
    {
        $strike = CueStrike::of((new Shot(0.0, 2.0, new Tip(0.4, 0.0)))->stroke(), new CueSpec(), new BallSpec());
        self::assertLessThan(0.0, $strike->vy);
    }

    /** Common practice, no source: right side comes off a cushion to the player's right. */
    public function testRightSideTurnsRightOffACushion(): void
    {
        $result = (new Simulator())->play(new Layout([BallId::CUE => new Point(1.5, 0.6)]), new Shot(0.0, 1.5, new Tip(0.4, 0.0)));
        $cushion = $result->eventsOf(BallId::CUE, EventType::BallCushion)[0];
        $after = Layouts::piece($result, BallId::CUE, true, $cushion->time);
        self::assertLessThan(0.0, $after->vx);
        self::assertGreaterThan(0.1, $after->vy);
    }

    /** Common practice, no source: with the cue raised a ball with right side leaves left and curves right. */
    public function testARaisedCueMakesTheBallSwerveBackTowardTheSideStruck(): void
    {
        $result = (new Simulator())->play(
            new Layout([BallId::CUE => new Point(0.5, 0.6)]),
            new Shot(0.0, 1.5, new Tip(0.3, 0.0), deg2rad(15)),
        );
        $slide = Layouts::piece($result, BallId::CUE, false);
        $roll = Layouts::piece($result, BallId::CUE, true);
        self::assertLessThan(0.0, $slide->vy);
        self::assertGreaterThan(0.0, $roll->vy);
    }

    public function testForwardSpeedFallsByTheCosineOfTheElevation(): void
    {
        $level = CueStrike::of((new Shot(0.0, 2.0))->stroke(), new CueSpec(), new BallSpec());
        $raised = CueStrike::of((new Shot(0.0, 2.0, new Tip(), deg2rad(30)))->stroke(), new CueSpec(), new BallSpec());
        self::assertEqualsWithDelta($level->vx * cos(deg2rad(30)), $raised->vx, 1e-12);
    }

    /**
     * @return iterable<string, array{callable(): object, string}>
     */
    public static function impossible(): iterable
    {
        yield 'miscue' => [static fn(): Tip => new Tip(0.4, 0.4), '/0\.57 of the radius from the centre is a miscue \(limit 0\.50\)/'];
        yield 'not a number' => [static fn(): Tip => new Tip(\NAN, 0.0), '/tip: must be two finite numbers/'];
        yield 'too fast' => [static fn(): Shot => new Shot(0.0, 12.5), '/12\.5 m\/s is faster than a person can swing a cue \(limit 12 m\/s/'];
        yield 'no speed' => [static fn(): Shot => new Shot(0.0, 0.0), '/speed: must be above 0/'];
        yield 'endless speed' => [static fn(): Shot => new Shot(0.0, \INF), '/speed/'];
        yield 'no direction' => [static fn(): Shot => new Shot(\NAN, 1.0), '/aimDeg/'];
        yield 'upright cue' => [static fn(): Shot => new Shot(0.0, 1.0, new Tip(), deg2rad(88)), '/88\.0 is outside 0–85 degrees/'];
    }

    /**
     * @param callable(): object $make
     */
    #[DataProvider('impossible')]
    public function testWhatNobodyCanPlayIsRefused(callable $make, string $message): void
    {
        $this->expectException(InvalidInput::class);
        $this->expectExceptionMessageMatches($message);
        $make();
    }

    public function testTheTipReadsAsAClock(): void
    {
        self::assertSame('centre', (new Tip(0.0, 0.05))->clock());
        self::assertSame('12 o’clock, ½ tip', (new Tip(0.0, 0.2))->clock());
        self::assertSame('half past 10, 1 tip', (new Tip(-0.31, 0.31))->clock());
        self::assertSame('3 o’clock, 1 tip', (new Tip(0.44, 0.0))->clock());
        self::assertSame('6 o’clock, 1¼ tips', (new Tip(0.0, -0.5))->clock());
    }
}
