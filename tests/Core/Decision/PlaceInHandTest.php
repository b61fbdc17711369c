<?php

declare(strict_types=1);

namespace ZigLane\Tests\Core\Decision;

use PHPUnit\Framework\TestCase;
use ZigLane\Core\Decision\AdvisedSearch;
use ZigLane\Core\Decision\Contest;
use ZigLane\Core\Decision\PlaceInHand;
use ZigLane\Core\Equipment\BallId;
use ZigLane\Core\Parallel\Processes;
use ZigLane\Core\Planning\CountedDeadline;
use ZigLane\Core\Planning\Planner;
use ZigLane\Core\Planning\SearchBudget;
use ZigLane\Core\Player\Level;
use ZigLane\Core\Player\Player;
use ZigLane\Core\Rack\Kitchen;
use ZigLane\Core\Rack\Rack;
use ZigLane\Tests\Core\Reading\Read;

/**
 * The ball in hand where nothing goes: it is put down where something can be made of it.
 */
final class PlaceInHandTest extends TestCase
{
    /** The 1 on the long rail, the 5 beside it in the way of the near pockets. */
    private const BARRED = [1 => [5.16, 0.104], 5 => [4.84, 0.2], 9 => [5.7, 1.76]];

    public function testItIsPutDownWhereAShotCanBePlayed(): void
    {
        $rack = self::rack();
        $last = null;
        foreach ((new AdvisedSearch($rack, deadline: new CountedDeadline(1)))->plans() as $last) {
        }
        self::assertNotNull($last?->advice);
        $chosen = $last->advice->chosen();
        self::assertNotNull($chosen);
        // By a foul in the corner, which it was once, hardly a quarter is won.
        self::assertLessThan(0.15, $chosen->chances->fouls);
        self::assertGreaterThan(0.5, $last->advice->win());
        $cue = $last->plan->rack->layout->ball(BallId::CUE);
        self::assertLessThan(0.7, $cue->distanceTo($rack->layout->ball(1)));
    }

    public function testTheKitchenAndTheProcessesAreMinded(): void
    {
        $places = [];
        foreach ([1, 2] as $processes) {
            $rack = Read::rack(['cue' => [1, 2], 1 => [2.2, 0.104], 5 => [1.9, 0.2], 4 => [2.55, 0.2], 9 => [5.7, 1.76]], 'eight-ball', 'solids')
                ->withPlayer(Player::of(Level::League))->withBallInHand(true, true);
            $contest = Contest::of($rack, $rack->player, new Planner($rack, SearchBudget::quick()));
            $laid = (new PlaceInHand($rack, $contest, processes: Processes::atMost($processes)))->best();
            self::assertNotNull($laid);
            $places[] = $laid->layout->ball(BallId::CUE);
            self::assertTrue(Kitchen::has($laid->table, $laid->layout->ball(BallId::CUE)));
        }
        self::assertEquals($places[0], $places[1]);
    }

    private static function rack(): Rack
    {
        $player = Player::of(Level::Professional);

        return Read::rack(['cue' => [1, 2]] + self::BARRED)->withPlayer($player)->against($player)->withBallInHand(true);
    }
}
