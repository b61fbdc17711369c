<?php

declare(strict_types=1);

namespace ZigLane\Tests\Core\Planning;

use PHPUnit\Framework\TestCase;
use ZigLane\Core\Equipment\Table;
use ZigLane\Core\Equipment\TableSize;
use ZigLane\Core\Planning\ClearingPrior;
use ZigLane\Core\Planning\PlanSearch;
use ZigLane\Core\Player\Level;
use ZigLane\Core\Player\Player;
use ZigLane\Core\Wording\PlanWording;
use ZigLane\Core\Wording\ShotWording;
use ZigLane\Tests\Core\Reading\Read;

/**
 * What is told of straight pool is the chance to pot the balls: the place for the break shot is not part of it.
 */
final class ClearingTest extends TestCase
{
    public function testTheLastShotRunsOutAsOftenAsItIsMade(): void
    {
        // Three balls far from where a rack stands: hardly a break ball among them, which the plan is chosen by but not told with.
        $plan = (new PlanSearch(Read::rack(['cue' => [2.0, 2.0], 3 => [1.0, 0.8], 7 => [1.2, 3.2], 12 => [4.0, 0.5]], 'straight-pool')))->plan();
        self::assertCount(2, $plan->shots);
        [$first, $last] = $plan->shots;
        self::assertEqualsWithDelta($last->chances->pot, $last->chances->runOut, 1e-9);
        self::assertLessThanOrEqual($first->chances->pot, $plan->runOut);
        // Both are easy: played out by the chances of the two, within what the second look at the first mends.
        self::assertEqualsWithDelta($first->chances->pot * $last->chances->pot, $plan->runOut, 0.12);
    }

    public function testWhatLeadsToNoBreakBallIsNotTheKeyToIt(): void
    {
        $plan = (new PlanSearch(Read::rack(['cue' => [2.0, 2.0], 7 => [1.2, 3.2], 12 => [0.3, 2.0]], 'straight-pool')))->plan();
        self::assertSame('From there the 12 is no break ball: nothing that pots it opens the rack.', PlanWording::says($plan)[0]);
        self::assertStringNotContainsString('key ball', implode(' ', ShotWording::why($plan->shots[0])));
    }

    /** Held to the formula by hand, and to what it is for: the more balls, the less single racks are told apart. */
    public function testManyBallsAreToldLikeMost(): void
    {
        $prior = new ClearingPrior(0.9);
        // With five shots left both count by half: log odds of 0.8 and of 0.9 to the fifth power.
        $odds = (log(0.8 / 0.2) + log(0.9 ** 5 / (1 - 0.9 ** 5))) / 2;
        self::assertEqualsWithDelta(0.95 / (1 + exp(-$odds)), $prior->drawn(0.95, 0.76, 5), 1e-9);
        $apart = static fn(int $left): float => $prior->drawn(0.95, 0.7, $left) - $prior->drawn(0.95, 0.2, $left);
        self::assertEqualsWithDelta(0.5, $apart(0), 1e-9);
        self::assertEqualsWithDelta(0.5, $apart(1), 0.05);
        self::assertGreaterThan(0.03, $apart(12));
        self::assertLessThan(0.1, $apart(12));
        // Never more often than the pot is made, and what does not go is not told as if it did.
        self::assertLessThanOrEqual(0.3, $prior->drawn(0.3, 0.3, 12));
        self::assertSame(0.0, $prior->drawn(0.0, 0.0, 12));
    }

    /** The usual chance goes by the player's and the table's spot shot. */
    public function testAnEasierTableIsToldSo(): void
    {
        $told = static function (Level $level, TableSize $size): float {
            $rack = Read::rack(['cue' => [2.0, 2.0], 3 => [1.0, 0.8]], 'straight-pool')->withPlayer(Player::of($level));

            return ClearingPrior::of($rack->onTable(new Table($size)))->drawn(1.0, 0.4, 13);
        };
        self::assertEqualsWithDelta(0.87 ** 13, $told(Level::League, TableSize::NineFoot), 0.05);
        self::assertEqualsWithDelta(0.94 ** 13, $told(Level::Advanced, TableSize::NineFoot), 0.05);
        self::assertGreaterThan($told(Level::League, TableSize::NineFoot) + 0.03, $told(Level::League, TableSize::SevenFoot));
        self::assertGreaterThan($told(Level::Advanced, TableSize::NineFoot), $told(Level::Professional, TableSize::NineFoot));
    }

    public function testAPlanSaysWhatAThirdFoulInARowCosts(): void
    {
        $rack = Read::rack(['cue' => [2.0, 2.0], 3 => [1.0, 0.8], 7 => [1.2, 3.2]], 'straight-pool');
        foreach ([0 => [], 1 => [], 2 => ['A foul now would be your third in a row: it costs 16 points.']] as $fouls => $says) {
            foreach ((new PlanSearch($rack->withFouls($fouls, 0)))->plans() as $plan) {
                self::assertSame($says, \array_slice(PlanWording::says($plan), 0, \count($says)));
                self::assertSame(2 === $fouls, str_contains(implode(' ', PlanWording::says($plan)), 'third in a row'));
                break;
            }
        }
        $legal = $rack->withFouls(2, 0)->goneOn($rack->layout->without(3));
        self::assertSame(0, $legal->fouls, 'a legal shot ends it');
    }
}
