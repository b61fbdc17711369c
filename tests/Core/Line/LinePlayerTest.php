<?php

declare(strict_types=1);

namespace ZigLane\Tests\Core\Line;

use PHPUnit\Framework\TestCase;
use ZigLane\Core\Aiming\Pot;
use ZigLane\Core\Equipment\Pocket;
use ZigLane\Core\Equipment\Table;
use ZigLane\Core\Equipment\TableSize;
use ZigLane\Core\Games\GameName;
use ZigLane\Core\Geometry\Point;
use ZigLane\Core\Line\FirstTry;
use ZigLane\Core\Line\LegOutcome;
use ZigLane\Core\Line\LegState;
use ZigLane\Core\Line\LinePlayer;
use ZigLane\Core\Physics\Layout;
use ZigLane\Core\Physics\LeastElevation;
use ZigLane\Core\Physics\Simulator;
use ZigLane\Core\Physics\Speed;
use ZigLane\Core\Physics\Tip;
use ZigLane\Core\Rack\Rack;
use ZigLane\Core\Rack\ShotSpec;
use ZigLane\Core\Wording\LegReading;
use ZigLane\Core\Wording\LegWording;

final class LinePlayerTest extends TestCase
{
    /**
     * @param array<int, array{float, float}> $balls diamonds
     * @param list<ShotSpec>                  $legs
     */
    private static function rack(array $balls, array $legs): Rack
    {
        $layout = new Layout(array_map(static fn(array $p): Point => TableSize::NineFoot->pointAt($p[0], $p[1]), $balls));

        return new Rack('R', GameName::NineBall, new Table(), $layout, legs: $legs);
    }

    private static function leg(int $ball, Pocket $pocket, float $lengths = 2.0, Tip $tip = new Tip()): ShotSpec
    {
        return ShotSpec::toPocket(new Pot($ball, $pocket), Speed::tableLengths($lengths), $tip);
    }

    public function testEachLegBeginsWhereTheLastOneEnded(): void
    {
        $rack = self::rack([0 => [5, 2], 8 => [6.5, 1.2], 9 => [2, 3.5]], [self::leg(8, Pocket::FootLeft, 1.2), self::leg(9, Pocket::HeadRight)]);
        [$one, $two] = LinePlayer::for($rack)->play($rack);
        self::assertSame(LegState::Holds, $one->state);
        self::assertSame(LegState::Holds, $two->state, implode(' ', self::faults($two)));
        self::assertEquals($one->after(), $two->before);
        self::assertFalse($two->before?->has(8));
        self::assertTrue($two->verdict?->won);
    }

    public function testAScratchEndsTheLineInWords(): void
    {
        // Straight in with plenty of follow: the cue ball goes after it.
        $rack = self::rack([0 => [6, 2], 1 => [7, 1], 9 => [2, 3]], [self::leg(1, Pocket::FootLeft, 2.5, new Tip(0.0, 0.4)), self::leg(9, Pocket::HeadRight)]);
        [$one, $two] = LinePlayer::for($rack)->play($rack);
        self::assertSame(LegState::Breaks, $one->state);
        self::assertSame(['Scratch: the cue ball drops in the foot left pocket.'], self::faults($one));
        self::assertStringContainsString('scratches in the foot left pocket', LegReading::of($one, TableSize::NineFoot));
        self::assertSame(LegState::Waits, $two->state);
        self::assertSame(['Not reached: leg 1 does not hold.'], self::faults($two));
    }

    public function testUnintendedContactsAreSaid(): void
    {
        $clear = self::rack([0 => [5, 2], 1 => [6.5, 1.6], 9 => [1, 3.5]], [self::leg(1, Pocket::FootLeft, 2.0)]);
        [$leg] = LinePlayer::for($clear)->play($clear);
        self::assertSame([], $leg->notes);
        // The 7 goes where the cue ball would pass after the contact.
        $cue = $leg->result->paths[0] ?? [];
        $inTheWay = $clear->withBall(7, $cue[\count($cue) - 1]->end());
        [$leg] = LinePlayer::for($inTheWay)->play($inTheWay);
        self::assertSame(LegState::Holds, $leg->state, implode(' ', self::faults($leg)));
        self::assertSame(['The cue ball runs into the 7.'], array_map(LegWording::note(...), $leg->notes));
    }

    public function testALegForABallThatIsDownIsSpentAndTheLineGoesOn(): void
    {
        $rack = self::rack([0 => [5, 2], 8 => [6.5, 1.2], 9 => [2, 3.5]], [self::leg(8, Pocket::FootLeft, 1.2), self::leg(8, Pocket::FootLeft), self::leg(9, Pocket::HeadRight)]);
        $legs = LinePlayer::for($rack)->play($rack);
        self::assertSame([LegState::Holds, LegState::Spent, LegState::Holds], array_map(static fn($l) => $l->state, $legs));
        self::assertSame(['The 8 is already down.'], self::faults($legs[1]));
    }

    public function testTheWrongBallFirstBreaksALeg(): void
    {
        $rack = self::rack([0 => [5, 2], 1 => [1, 1], 9 => [6, 3]], [self::leg(9, Pocket::FootRight)]);
        [$leg] = LinePlayer::for($rack)->play($rack);
        self::assertSame(LegState::Breaks, $leg->state);
        self::assertSame(['Foul: the cue ball touches the 9 first, not the 1.'], self::faults($leg));
    }

    public function testARailBehindTheCueBallRaisesTheCue(): void
    {
        $rack = self::rack([0 => [0.0867, 2], 1 => [4, 2.6], 9 => [6, 1]], [self::leg(1, Pocket::FootRight)]);
        [$leg] = LinePlayer::for($rack)->play($rack);
        self::assertMatchesRegularExpression('/The cue must be raised to \d+° to clear what is behind the cue ball\./', LegWording::note($leg->notes[0]));
        self::assertGreaterThan(deg2rad(5), $leg->shot?->elevation);
        $high = LeastElevation::of($rack->layout, 0.0, new Tip(0.0, 0.5), (new Simulator())->geometry, (new Simulator())->ball);
        $low = LeastElevation::of($rack->layout, 0.0, new Tip(0.0, -0.2), (new Simulator())->geometry, (new Simulator())->ball);
        self::assertLessThan($low, $high, 'a higher tip needs less');
    }

    public function testABallBehindTheCueBallRaisesTheCueUnlessItIsAside(): void
    {
        $s = new Simulator();
        $least = static fn(float $y): float => LeastElevation::of(new Layout([0 => new Point(1.0, 0.6), 5 => new Point(0.9, $y)]), 0.0, new Tip(), $s->geometry, $s->ball);
        self::assertGreaterThan(deg2rad(10), $least(0.6));
        self::assertSame(0.0, $least(0.65));
    }

    /** In a pocket's mouth no nose is behind the cue ball, only the rim: the cue is raised a little, more at the rail. */
    public function testACueBallInAMouthCanBePlayed(): void
    {
        $s = new Simulator();
        $side = $s->geometry->pocket(Pocket::SideLeft)->mouthMiddle();
        $least = static fn(float $x, float $y): float => LeastElevation::of(new Layout([0 => new Point($x, $y)]), M_PI_2, new Tip(), $s->geometry, $s->ball);
        $hanging = $least($side->x - 0.03, -0.007);
        self::assertGreaterThan(deg2rad(3), $hanging);
        self::assertLessThan(deg2rad(15), $hanging);
        self::assertGreaterThan($hanging, $least(0.8, $s->geometry->reach));
    }

    public function testAFirstTryIsTheEasiestPocketForTheBallThatIsDue(): void
    {
        $simulator = new Simulator();
        $rack = self::rack([0 => [5, 2], 3 => [6.5, 1], 9 => [6, 3]], []);
        $try = FirstTry::for($simulator, $rack->layout, $rack->rules());
        self::assertSame(3, $try?->ball);
        self::assertSame(Pocket::FootLeft, $try->pocket);
        self::assertNull(FirstTry::for($simulator, $rack->layout->without(3)->without(9), $rack->rules()));
    }

    public function testATenthHarderIsTheSameAimWithMoreSpeed(): void
    {
        $rack = self::rack([0 => [5, 2], 8 => [6.5, 1.2], 9 => [6, 3]], [self::leg(8, Pocket::FootLeft, 1.2)]);
        $player = LinePlayer::for($rack);
        [$leg] = $player->play($rack);
        self::assertNotNull($leg->shot);
        $harder = $player->replay($leg, 1.1);
        self::assertEquals((new Simulator())->play($rack->layout, $leg->shot->withSpeed($leg->shot->speed * 1.1)), $harder);
    }

    /**
     * @return list<string>
     */
    private static function faults(LegOutcome $leg): array
    {
        return array_map(LegWording::fault(...), $leg->faults);
    }
}
