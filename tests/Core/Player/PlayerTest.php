<?php

declare(strict_types=1);

namespace ZigLane\Tests\Core\Player;

use PHPUnit\Framework\TestCase;
use ZigLane\Core\Equipment\TableGeometry;
use ZigLane\Core\Geometry\Point;
use ZigLane\Core\InvalidInput;
use ZigLane\Core\Physics\Simulator;
use ZigLane\Core\Player\Execution;
use ZigLane\Core\Player\Hand;
use ZigLane\Core\Player\Level;
use ZigLane\Core\Player\Player;
use ZigLane\Core\Player\Stance;

final class PlayerTest extends TestCase
{
    public function testErrorsGrowWithElevationSpeedAndStretch(): void
    {
        $player = Player::of(Level::League);
        $calm = Execution::errors($player, 0.0, 2.0, Stance::comfortable());
        self::assertSame($player->aim, $calm->aim);
        self::assertEqualsWithDelta($player->tip / 0.028575, $calm->tip, 1e-12);
        self::assertGreaterThan($calm->aim, Execution::errors($player, deg2rad(10), 2.0, Stance::comfortable())->aim);
        self::assertGreaterThan($calm->aim, Execution::errors($player, 0.0, 5.0, Stance::comfortable())->aim);
        $stretched = Stance::of(new Player(Level::League, 0.001, 0.1, 0.001, reach: 0.5), new Point(1.27, 0.635), 0.0, self::table());
        self::assertGreaterThan($calm->aim, Execution::errors($player, 0.0, 2.0, $stretched)->aim);
    }

    public function testReachAndHands(): void
    {
        $right = Player::of(Level::League);
        $left = new Player(Level::League, $right->aim, $right->speed, $right->tip, Hand::Left);
        // By a rail anybody gets to it.
        self::assertSame('', Stance::of($right, new Point(0.3, 0.6), 0.0, self::table())->note);
        // Along the left rail toward the foot: the body stands left of the cue, which is the left-hander's side.
        $near = Stance::of($left, new Point(1.27, 0.2), 0.0, self::table());
        $across = Stance::of($right, new Point(1.27, 0.2), 0.0, self::table());
        self::assertSame('', $near->note);
        self::assertGreaterThan(1.0, $across->times);
        self::assertSame('the other hand', $across->note);
        // Mirror image: along the right rail it is the other way round.
        self::assertSame('', Stance::of($right, new Point(1.27, 1.07), 0.0, self::table())->note);
        self::assertSame('the other hand', Stance::of($left, new Point(1.27, 1.07), 0.0, self::table())->note);
    }

    public function testWhatNobodyIsIsRefused(): void
    {
        $this->expectException(InvalidInput::class);
        $this->expectExceptionMessage('speedPercent: 80 is outside 0–60 %');
        new Player(Level::League, 0.001, 0.8, 0.001);
    }

    private static function table(): TableGeometry
    {
        return (new Simulator())->geometry;
    }
}
