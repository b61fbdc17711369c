<?php

declare(strict_types=1);

namespace ZigLane\Tests\Core\Planning;

use PHPUnit\Framework\TestCase;
use ZigLane\Core\Equipment\BallId;
use ZigLane\Core\Line\LinePlayer;
use ZigLane\Core\Numerics\Generator;
use ZigLane\Core\Physics\Simulator;
use ZigLane\Core\Physics\Stroke;
use ZigLane\Core\Planning\CountedDeadline;
use ZigLane\Core\Planning\PlanSearch;
use ZigLane\Core\Potting\ErrorSamples;
use ZigLane\Core\Potting\PotChance;
use ZigLane\Core\Routes\RouteSearch;
use ZigLane\Core\Wording\RouteWording;
use ZigLane\Tests\Survey;
use ZigLane\Tools\Bench\Workload;

/**
 * The last ball of a rack is simply potted: no plain stroke has a better chance by more than a point, and side is called for only
 * where it brings more than that: mostly past a scratch.
 */
final class LastBallTest extends TestCase
{
    private const BETTER = 0.01;

    /** 30 places (6 in the suite), under 2,000 errors that the plan has not seen. */
    public function testItIsSimplyPotted(): void
    {
        $fresh = ErrorSamples::random(2000, new Generator(41));
        $cases = 0;
        foreach ((new Workload(new Simulator(), 21))->legs(Survey::size(30, 3), 1) as [$rack]) {
            $plan = (new PlanSearch($rack, deadline: new CountedDeadline(1)))->plan();
            self::assertNull($plan->stopped);
            $shot = $plan->shots[0];
            $cue = $rack->layout->ball(BallId::CUE);
            $search = new RouteSearch($rack, $shot->pot);
            $easy = (new PotChance($rack->simulator(), $rack->layout, $shot->pot, $rack->player))->readingSpeed($cue->x, $cue->y);
            $line = $plan->line();
            $played = LinePlayer::for($line)->play($line)[0]->shot;
            self::assertNotNull($played);
            $chosen = $search->chances($played, $fresh)->value;
            $plain = 0.0;
            foreach ([0.75, 1.0, 1.4] as $times) {
                foreach ([-0.35, 0.0, 0.28] as $height) {
                    $route = $search->route(new Stroke($easy * $times, 0.0, $height), 0.0, 8);
                    if (null !== $route) {
                        $value = $search->chances($route->shot, $fresh)->value;
                        $plain = max($plain, $value);
                        self::assertLessThan($chosen + self::BETTER, $value, RouteWording::family($route->family) . " of case $cases");
                    }
                }
            }
            if (abs($shot->spec->tip->side) > 0.05) {
                self::assertGreaterThan($plain + self::BETTER, $chosen, "side that brings nothing, case $cases");
            }
            ++$cases;
        }
        self::assertGreaterThan(Survey::size(5, 2), $cases);
    }
}
