<?php

declare(strict_types=1);

namespace ZigLane\Tests\Core\Rack;

use PHPUnit\Framework\TestCase;
use ZigLane\Core\Decision\EndKind;
use ZigLane\Core\Decision\StrokeEnds;
use ZigLane\Core\Equipment\BallId;
use ZigLane\Core\Line\LegState;
use ZigLane\Core\Line\LinePlayer;
use ZigLane\Core\Physics\AimedStroke;
use ZigLane\Core\Physics\Speed;
use ZigLane\Core\Physics\Stroke;
use ZigLane\Core\Physics\Tip;
use ZigLane\Core\Planning\CountedDeadline;
use ZigLane\Core\Planning\PlanSearch;
use ZigLane\Core\Rack\Kitchen;
use ZigLane\Core\Rack\Rack;
use ZigLane\Core\Rack\ShotSpec;
use ZigLane\Core\Reading\FromHere;
use ZigLane\Core\Wording\PlanWording;
use ZigLane\Tests\Core\Reading\Read;

/**
 * The ball in hand behind the head string (WPA rules, from memory).
 */
final class KitchenTest extends TestCase
{
    /** @param array<string|int, array{float, float}> $balls */
    private static function rack(array $balls, string $game = 'eight-ball'): Rack
    {
        return Read::rack($balls, $game, 'eight-ball' === $game ? 'solids' : null)->withBallInHand(true, true);
    }

    /** With the ball in hand the hard ball goes first, unless it lies in the kitchen, and the cue ball is put down behind the head string. */
    public function testAPlanBeginsWithABallBeyondTheHeadString(): void
    {
        $rack = self::rack(['cue' => [1, 1], 1 => [0.13, 1.2], 2 => [6.5, 0.6], 8 => [7, 3]]);
        $free = (new PlanSearch($rack->withBallInHand(true, false), deadline: new CountedDeadline(1)))->plan();
        self::assertSame(1, $free->shots[0]->pot->ball, 'the hard ball first');
        $plan = (new PlanSearch($rack, deadline: new CountedDeadline(1)))->plan();
        self::assertSame(2, $plan->shots[0]->pot->ball);
        self::assertTrue(Kitchen::has($rack->table, $plan->rack->layout->ball(BallId::CUE)));
        self::assertSame([2, 1, 8], array_map(static fn($shot): int => $shot->pot->ball, $plan->shots), 'the rule holds for the first shot alone');
        self::assertSame([2], array_map(static fn(FromHere $from): int => $from->ball, FromHere::now($rack, $rack->layout->ball(BallId::CUE))));
    }

    public function testWhereEveryBallLiesInItTheNearestToTheHeadStringIsSpotted(): void
    {
        $rack = self::rack(['cue' => [1, 1], 1 => [0.5, 0.5], 2 => [1.8, 3.0], 9 => [5, 1], 8 => [7, 3]]);
        self::assertSame([], Kitchen::targets($rack));
        self::assertSame([2], Kitchen::targets(Kitchen::opened($rack)));
        self::assertEqualsWithDelta(6.0, $rack->table->size->diamondsOf(Kitchen::opened($rack)->layout->ball(2))[0], 1e-9);
        $plan = (new PlanSearch($rack, deadline: new CountedDeadline(1)))->plan();
        self::assertSame(2, $plan->shots[0]->pot->ball);
        self::assertStringContainsString('have the 2 put on the foot spot first', implode(' ', PlanWording::says($plan)));
    }

    /** Straight at a ball in the kitchen is a foul; down the table and back is none. */
    public function testHowTheCueBallLeavesTheKitchen(): void
    {
        $balls = ['cue' => [1.0, 2.0], 1 => [0.3, 2.0], 8 => [7, 3]];
        foreach ([[self::rack($balls), EndKind::Foul], [Read::rack($balls, 'eight-ball', 'solids'), EndKind::Passed]] as [$rack, $kind]) {
            self::assertSame($kind, (new StrokeEnds($rack))->end(new AimedStroke(M_PI, new Stroke(2.0)), null)->kind);
        }
        foreach ([[180.0, LegState::Breaks], [0.0, LegState::Holds]] as [$aim, $state]) {
            $leg = new ShotSpec($aim, null, null, 0.0, Speed::metresPerSecond(4.5), new Tip(), 0.0, new \ZigLane\Core\Shots\Intent(\ZigLane\Core\Shots\ShotKind::Safety));
            $rack = self::rack($balls)->withLegs([$leg]);
            self::assertSame($state, LinePlayer::for($rack)->play($rack)[0]->state);
        }
    }
}
