<?php

declare(strict_types=1);

namespace ZigLane\Tests\Core\Planning;

use PHPUnit\Framework\TestCase;
use ZigLane\Core\Planning\PlanSearch;
use ZigLane\Core\Wording\PlanWording;
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
