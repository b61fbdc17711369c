<?php

declare(strict_types=1);

namespace ZigLane\Tests\Core\Line;

use PHPUnit\Framework\TestCase;
use ZigLane\Core\Aiming\Pot;
use ZigLane\Core\Equipment\Pocket;
use ZigLane\Core\Games\Foul;
use ZigLane\Core\Games\Group;
use ZigLane\Core\Line\LegState;
use ZigLane\Core\Line\LinePlayer;
use ZigLane\Core\Line\RackAfter;
use ZigLane\Core\Physics\Speed;
use ZigLane\Core\Physics\Tip;
use ZigLane\Core\Planning\PlanConstraints;
use ZigLane\Core\Planning\PlanSearch;
use ZigLane\Core\Rack\Rack;
use ZigLane\Core\Rack\ShotSpec;
use ZigLane\Tests\Core\Reading\Read;

/**
 * On an open table the first ball that is made takes its group, in a line as at the table.
 */
final class OpenTableTest extends TestCase
{
    public function testTheFirstBallTakesItsGroup(): void
    {
        $rack = self::rack(self::leg(2, Pocket::FootRight), self::leg(9, Pocket::HeadLeft, 3.5));
        [$one, $two] = LinePlayer::for($rack)->play($rack);
        self::assertSame(LegState::Holds, $one->state);
        self::assertSame(LegState::Breaks, $two->state);
        self::assertSame(Foul::WrongBallFirst, $two->verdict?->foul?->foul);
        $after = RackAfter::legs($rack, [$one, $two]);
        self::assertSame(Group::Solids, $after->group);
        self::assertEquals($one->after(), $after->layout);
        self::assertSame([], $after->legs);
        self::assertNull(RackAfter::legs($rack, [])->group);
    }

    public function testAPlanGoesOnWithTheGroupThatAKeptShotTook(): void
    {
        $rack = self::rack(self::leg(2, Pocket::FootRight));
        $plan = (new PlanSearch($rack, new PlanConstraints(keep: 1)))->plan();
        $balls = array_map(static fn($shot): int => $shot->pot->ball, $plan->shots);
        self::assertSame([2, 3, 8], $balls);
        self::assertNull($plan->rack->group);
        self::assertSame(Group::Solids, $plan->before($plan->shots[1])->group);
    }

    private static function leg(int $ball, Pocket $pocket, float $lengths = 1.6): ShotSpec
    {
        return ShotSpec::toPocket(new Pot($ball, $pocket), Speed::tableLengths($lengths), new Tip(0.0, -0.2));
    }

    /** The stripes are easier than the solids. */
    private static function rack(ShotSpec ...$legs): Rack
    {
        $rack = Read::rack(['cue' => [5.2, 1.9], 2 => [7.0, 3.0], 3 => [5.5, 3.2], 9 => [1.0, 0.6], 10 => [7.4, 0.5], 8 => [3.0, 1.0]], 'eight-ball');

        return $rack->withLegs(array_values($legs));
    }
}
