<?php

declare(strict_types=1);

namespace ZigLane\Tests\Core\Files;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use ZigLane\Core\Aiming\Pot;
use ZigLane\Core\Equipment\Pocket;
use ZigLane\Core\Files\FindingCodec;
use ZigLane\Core\Finding;
use ZigLane\Core\Games\Foul;
use ZigLane\Core\Games\FoulCall;
use ZigLane\Core\Games\Group;
use ZigLane\Core\InvalidInput;
use ZigLane\Core\Line\LegFault;
use ZigLane\Core\Line\LegFaultKind;
use ZigLane\Core\Planning\Finding as Found;
use ZigLane\Core\Potting\NoPot;
use ZigLane\Core\Reading\SpeedWindow;
use ZigLane\Core\Routes\Danger;
use ZigLane\Core\Routes\DangerShare;
use ZigLane\Core\Routes\Family;
use ZigLane\Core\Routes\RouteChances;
use ZigLane\Core\Routes\RouteSummary;
use ZigLane\Core\Shots\ShotKind;
use ZigLane\Core\Wording\PlanWording;

/**
 * Every finding of a plan is written, read again and told.
 */
final class FindingCodecTest extends TestCase
{
    /**
     * @return iterable<string, array{Finding, string}>
     */
    public static function findings(): iterable
    {
        $family = new Family(['foot', 'left'], 'follow', 'outside', 'running');
        $scratch = new LegFault(LegFaultKind::Foul, foul: new FoulCall(Foul::Scratch, pocket: Pocket::FootLeft));
        foreach ([
            [new Found\Told('As it was.'), 'As it was.'],
            [new Found\KeptShot(), 'Kept as you planned it.'],
            [
                new RouteSummary($family, 1.44, new SpeedWindow(0.92, 1.12, 1.0, 0.2, 0.1), 3, [new DangerShare(Danger::Scratch, 0.021)]),
                'Two cushions, 1.4 m; anything from 8 % softer to 12 % harder still leaves the 3; scratch 2 %.',
            ],
            [
                new RouteSummary($family, 1.44, new SpeedWindow(0.9, 1.0, 0.95, 0.2, 0.1), 3, []),
                'Two cushions, 1.4 m; up to 10 % softer still leaves the 3, harder does not.',
            ],
            [
                new RouteSummary($family, 1.44, new SpeedWindow(1.0, 1.2, 1.1, 0.2, 0.1), null, []),
                'Two cushions, 1.4 m; up to 20 % harder holds, softer does not.',
            ],
            [
                new RouteSummary($family, 1.44, new SpeedWindow(0.998, 1.002, 1.0, 0.2, 0.1), 3, []),
                'Two cushions, 1.4 m; only this speed still leaves the 3.',
            ],
            [
                new Found\RightSide(3, Found\Side::Left, 0.61, 0.4),
                'Stay on the right side of the 3, left of its line: from the other side the rest goes about two thirds as often.',
            ],
            [
                new Found\RightSide(3, Found\Side::Right, 0.61, 0.02),
                'Stay on the right side of the 3, right of its line: from the other side there is hardly a way on.',
            ],
            [new Found\AlongTheLine(5, true), 'Comes along the line of the 5: a little short or long still leaves it.'],
            [new Found\AlongTheLine(5, false), 'Crosses the line of the 5: the speed must be right.'],
            [new Found\RunsInto([4, 7, 9]), 'Runs into the 4, 7 and 9 on the way.'],
            [new Found\BumpsFree([8]), 'Bumps the 8 to where it goes: as it lies, it does not from much of the table.'],
            [
                new Found\BreaksCluster([3, 4], 5),
                'Breaks the cluster of the 3 and 4 on the way. The 5 is the insurance ball: it goes wherever the cue ball stops.',
            ],
            [new Found\NotDirect(ShotKind::Bank, null), 'A bank: nothing goes directly.'],
            [new Found\NotDirect(ShotKind::Combination, 0.002), 'A combination: a direct pot instead would hardly ever run the rack out.'],
            [
                new Found\NotDirect(ShotKind::Carom, 0.28, 0.69, 0.61),
                'A carom: it wins the rack in about 69 %, a direct pot instead in about 61 %.',
            ],
            [new Found\NotDirect(ShotKind::Pot, 0.361), 'No plain pot: a direct pot instead would run the rack out in about 36 %.'],
            [new Found\WinsByAnother(9), 'The 9 drops with it when all goes as drawn, and wins the rack.'],
            [new Found\ThirdFoul(16), 'A foul now would be your third in a row: it costs 16 points.'],
            [new Found\SpottedFirst(4), 'Every ball that may be hit lies behind the head string: have the 4 put on the foot spot first.'],
            [new Found\RaisedCue(7.5, true), 'Raise the cue 8°: a rail stands behind the cue ball.'],
            [new Found\RaisedCue(12.0, false), 'Raise the cue 12°: a ball stands behind the cue ball.'],
            [new Found\KeyShot(2, 8, false), 'The 2 is the key ball: it leads to the 8.'],
            [new Found\KeyShot(2, 1, true), 'The 2 is the key ball: it leaves the cue ball for the break ball, the 1.'],
            [
                new Found\RoundTheTable(['foot', 'left', 'head'], $family, 0.5),
                'Round three cushions rather than a shorter way: follow with running outside spin, foot and left cushions would keep about 50 %.',
            ],
            [new Found\Hinge(4, 7, 0.62), 'The hinge is shot 4, the 7: of the runs that get to it 62 % get past it, fewer than at any other.'],
            [new Found\GroupTaken(Group::Stripes, 0.3, 0.2), 'Take stripes: about 30 %, with solids about 20 %.'],
            [new Found\GroupTaken(Group::Solids, null, null), 'Take solids.'],
            [new Found\BallInTheWay(3, 5, false), 'The 5 must go before the 3: it is in its way.'],
            [new Found\BallInTheWay(3, 5, true), 'The 5 is in the way of the 3 and comes after it.'],
            [new Found\ClusterToOpen([8, 9], 1), 'The 8 and 9 lie in a cluster and go only once it is open; shot 1 opens it.'],
            [new Found\ClusterToOpen([8], null), 'The 8 goes nowhere as it lies.'],
            [new Found\LeftForTheEnd(4), 'The 4 lies far from the rest and is left for the end.'],
            [new Found\BreakShotFollows(), 'The break shot follows.'],
            [new Found\NoBreakBall(4), 'From there the 4 is no break ball: nothing that pots it opens the rack.'],
            [
                new Found\OtherShot(new Pot(5, Pocket::SideLeft), true, new RouteChances(0.8, 0.6, 0.4, 0.0, 0.0, 0.0, 0.0, 400), 0.02),
                'The 5 first instead: about 40 %, 2 points less; pot 80 %, position 60 %.',
            ],
            [new Found\BetterSkill(Found\Skill::Speed, 0.2, 0.05), '20 % better speed control: +5 points.'],
            [new Found\CostOfConstraints(0.001), 'What is pinned costs nothing to speak of.'],
            [
                new Found\KeptLegBreaks(1, $scratch),
                'Leg 1, which was to be kept, does not hold: Scratch: the cue ball drops in the foot left pocket.',
            ],
            [new Found\RackStands(), 'The rack stands: first comes the break shot. Plan the next rack from where it leaves the balls.'],
            [new Found\NoCueBall(), 'There is no cue ball on the table.'],
            [new Found\NoShot([1], NoPot::Blocked), 'There is no direct shot on the 1: another ball is in the cue ball’s way.'],
            [new Found\NoShot([1, 2], null), 'There is no shot on any ball that keeps the cue ball on the table.'],
        ] as $n => [$finding, $words]) {
            yield "$n " . $finding::class => [$finding, $words];
        }
    }

    #[DataProvider('findings')]
    public function testItIsWrittenReadAndTold(Finding $finding, string $words): void
    {
        $written = json_decode(json_encode(FindingCodec::describe($finding), \JSON_THROW_ON_ERROR), false, 16, \JSON_THROW_ON_ERROR);
        self::assertEquals($finding, FindingCodec::read($written, 'finding'));
        self::assertSame($words, PlanWording::sentence($finding));
    }

    /** None has been forgotten above. */
    public function testEveryKindIsTried(): void
    {
        $tried = array_map(static fn(array $case): string => $case[0]::class, array_values(iterator_to_array(self::findings())));
        foreach (glob(\dirname(__DIR__, 3) . '/core/Planning/Finding/*.php') ?: [] as $file) {
            $class = 'ZigLane\Core\Planning\Finding\\' . basename($file, '.php');
            if (is_subclass_of($class, Finding::class)) {
                self::assertContains($class, $tried);
            }
        }
    }

    #[DataProvider('faults')]
    public function testFaultsAreRefusedWithTheirPlace(string $json, string $said): void
    {
        $this->expectException(InvalidInput::class);
        $this->expectExceptionMessage($said);
        FindingCodec::read(json_decode($json, false, 16, \JSON_THROW_ON_ERROR), 'at');
    }

    /**
     * @return iterable<array{string, string}>
     */
    public static function faults(): iterable
    {
        yield ['[]', 'at: is no finding'];
        yield ['{"is":"gossip"}', 'at: is no finding'];
        yield ['{"is":"hinge","shot":"4","ball":7,"keeps":0.5}', 'at.shot: is no int'];
        yield ['{"is":"hinge","shot":4,"ball":7,"keeps":1e300}', 'at.keeps: is no float'];
        yield ['{"is":"runs-into","balls":7}', 'at.balls: is no list'];
        yield ['{"is":"runs-into","balls":[7,"x"]}', 'at.balls[1]: is no int'];
        yield ['{"is":"right-side","ball":3,"side":"up","chance":0.5,"other":0.1}', 'at.side: is none of the words for it'];
        yield ['{"is":"other-shot","pot":"5","ball":true,"chances":{},"less":0.1}', 'at.pot: is no object'];
        yield ['{"is":"other-shot","pot":{"ball":5,"pocket":"attic"},"ball":true,"chances":{},"less":0.1}', 'at.pot.pocket: is none'];
        yield ['{"is":"route","family":{"rails":[1],"stroke":"","side":"","spin":""},"travel":1,"dangers":[]}', 'at.family.rails[0]: is no string'];
    }
}
