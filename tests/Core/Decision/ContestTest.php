<?php

declare(strict_types=1);

namespace ZigLane\Tests\Core\Decision;

use PHPUnit\Framework\TestCase;
use ZigLane\Core\Decision\Contest;
use ZigLane\Core\Decision\RackTurns;
use ZigLane\Core\Geometry\Point;
use ZigLane\Core\Planning\RunOutChance;
use ZigLane\Core\Player\Level;
use ZigLane\Core\Player\Player;
use ZigLane\Core\Rack\Rack;
use ZigLane\Tests\Core\Reading\Read;

final class ContestTest extends TestCase
{
    /** What one player wins the other loses. */
    public function testWhatOneWinsTheOtherLoses(): void
    {
        [$rack, $own, $other] = self::chances(Level::Advanced, Level::League);
        $contest = new Contest(new RackTurns($own, $other));
        self::assertEqualsWithDelta(1 - $contest->reversed()->average($rack->layout), $contest->failing($rack->layout), 1e-9);
        self::assertEqualsWithDelta(1 - $contest->failing($rack->layout), $contest->reversed()->average($rack->layout), 1e-9);
        self::assertGreaterThan($contest->failing($rack->layout), $contest->average($rack->layout));
    }

    public function testABallInHandAnEasierTableAndABetterPlayerAreWorthMore(): void
    {
        [$rack, $own, $other] = self::chances(Level::Advanced, Level::League);
        $even = new Contest(new RackTurns($own, $own));
        $layout = $rack->layout;
        self::assertGreaterThan($even->turn($layout), $even->inHand($layout));
        self::assertGreaterThan($even->average($layout), (new Contest(new RackTurns($own, $other)))->average($layout));
        self::assertEqualsWithDelta($own->at($layout), $own->at($layout->with(9, $layout->ball(9))), 1e-12);
        // The nine alone is easier than the rack.
        self::assertGreaterThan($own->mean($layout), $own->mean($layout->without(1)->without(2)));
        self::assertGreaterThan($own->at($layout), $own->inHand($layout) + 1e-9);
    }

    /** A hidden ball makes the table worse for who comes to it. */
    public function testAHiddenBallIsWorse(): void
    {
        [$rack, $own] = self::chances(Level::Advanced, Level::Advanced);
        $contest = new Contest(new RackTurns($own, $own));
        $seen = $contest->turn($rack->layout);
        $between = $rack->layout->ball(0)->toward($rack->layout->ball(0)->angleTo($rack->layout->ball(1)), 0.3);
        self::assertGreaterThan(0.05, $seen - $contest->turn($rack->layout->with(9, $between)));
        self::assertSame(0.0, $contest->sight($rack->layout->with(9, $between)));
    }

    /** From a table that a stroke has left, tables that the next one leaves are worth what they are worth from the rack as it lay. */
    public function testTablesLikeAnotherAreWorthTheSame(): void
    {
        $rack = Read::rack(['cue' => [2.0, 2.0], 1 => [5.0, 1.0], 2 => [6.5, 3.0], 3 => [3.0, 3.2], 9 => [1.0, 0.8]])->withPlayer(Player::of(Level::Advanced));
        $own = new RunOutChance($rack);
        $contest = new Contest(new RackTurns($own, $own));
        $at = static fn(float $x, float $y): Point => $rack->table->size->pointAt($x, $y);
        // The 2 before the 1's pocket.
        $left = $rack->layout->with(1, $at(7.2, 0.6))->with(2, $at(7.6, 0.3));
        $near = $contest->near($left);
        foreach ([
            $left->with(0, $at(3.0, 1.0)),
            $left->with(0, $at(3.0, 1.0))->with(3, $at(7.0, 2.0)),
            $left->with(0, $at(5.0, 3.0))->with(1, $at(6.0, 1.4)),
            // Back where it lay.
            $left->with(0, $at(5.6, 1.0))->with(2, $rack->layout->ball(2)),
            $left->without(1)->with(0, $at(2.0, 3.0)),
        ] as $n => $table) {
            self::assertEqualsWithDelta($contest->runOut($table), $near->runOut($table), 0.01, "table $n");
            self::assertEqualsWithDelta($contest->turn($table), $near->turn($table), 0.01, "table $n");
            self::assertEqualsWithDelta($contest->reversed()->turn($table), $near->reversed()->turn($table), 0.01, "table $n");
        }
    }

    /** Where nothing goes, a ball close by can be played safe better than one far away. */
    public function testANearBallIsEasierToPlaySafe(): void
    {
        $wins = [];
        foreach ([7.0, 1.5] as $x) {
            $rack = Read::rack(['cue' => [$x, 2.0], 1 => [7.87, 2.0], 4 => [7.6, 0.3], 5 => [7.6, 3.7], 9 => [1.3, 3.0]])->withPlayer(Player::of(Level::Advanced));
            $own = new RunOutChance($rack);
            self::assertLessThan(0.1, $own->at($rack->layout));
            $wins[] = (new Contest(new RackTurns($own, $own)))->turn($rack->layout);
        }
        self::assertGreaterThan($wins[1] + 0.05, $wins[0]);
    }

    /** The third foul in a row loses: a kick is worth less to who is on two, and a hidden ball more to the other. */
    public function testTwoFoulsInARow(): void
    {
        [$rack, $own] = self::chances(Level::Advanced, Level::Advanced);
        $between = $rack->layout->ball(0)->toward($rack->layout->ball(0)->angleTo($rack->layout->ball(1)), 0.3);
        $hidden = $rack->layout->with(9, $between);
        $plain = new Contest(new RackTurns($own, $own));
        $warned = new Contest(new RackTurns($own, $own), warned: true);
        self::assertSame(0.0, $warned->fouled($hidden));
        self::assertLessThan($plain->turn($hidden), $warned->turn($hidden));
        self::assertSame($plain->turn($hidden), $warned->afterLegal()->turn($hidden));
        self::assertSame($warned->turn($hidden), (new Contest(new RackTurns($own, $own), otherWarned: true))->reversed()->turn($hidden));
    }

    /**
     * @return array{Rack, RunOutChance, RunOutChance}
     */
    private static function chances(Level $one, Level $two): array
    {
        $rack = Read::rack(['cue' => [2.5, 1.2], 1 => [6.5, 1.0], 2 => [6.0, 3.2], 9 => [1.3, 3.0]])->withPlayer(Player::of($one));

        return [$rack, new RunOutChance($rack), new RunOutChance($rack->withPlayer(Player::of($two)))];
    }
}
