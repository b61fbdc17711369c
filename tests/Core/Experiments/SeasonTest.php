<?php

declare(strict_types=1);

namespace ZigLane\Tests\Core\Experiments;

use PHPUnit\Framework\TestCase;
use ZigLane\Core\Experiments\Greedy;
use ZigLane\Core\Experiments\Planned;
use ZigLane\Core\Experiments\Played;
use ZigLane\Core\Experiments\Season;
use ZigLane\Core\Experiments\Tally;
use ZigLane\Core\Games\GameName;
use ZigLane\Core\Numerics\WilsonInterval;
use ZigLane\Core\Planning\SearchBudget;
use ZigLane\Core\Player\Level;
use ZigLane\Core\Player\Player;
use ZigLane\Tests\Survey;

/**
 * The short version of the survey that lane:season makes; see docs/planning.md for the long one.
 */
final class SeasonTest extends TestCase
{
    /** E. B. Wilson, 1927, worked out by hand for 8 of 10 and 0 of 20 (z = 1.959964). */
    public function testWilsonsInterval(): void
    {
        [$low, $high] = WilsonInterval::of(8, 10);
        self::assertEqualsWithDelta(0.4902, $low, 5e-4);
        self::assertEqualsWithDelta(0.9433, $high, 5e-4);
        self::assertEqualsWithDelta(0.1611, WilsonInterval::of(0, 20)[1], 5e-4);
        self::assertSame([0.0, 1.0], WilsonInterval::of(0, 0));
    }

    public function testATallyCountsByFifths(): void
    {
        $tally = new Tally();
        foreach ([[true, 0.9], [false, 0.5], [true, 0.55], [false, 0.1]] as [$ranOut, $predicted]) {
            $tally->add(new Played($ranOut, $predicted, 5));
        }
        self::assertSame(0.5, $tally->rate());
        self::assertEqualsWithDelta(0.5125, $tally->predicted(), 1e-12);
        self::assertSame([1, 2, 1], array_column($tally->reliability(), 'racks'));
        self::assertSame([0.0, 0.5, 1.0], array_column($tally->reliability(), 'rate'));
        self::assertEqualsWithDelta(sqrt(0.09 + 0.25 + 0.2475 + 0.09) / 4, $tally->chance(), 1e-12);
        $tally->add(new Played(false, 0.2, 3, 9));
        self::assertSame(1.8, $tally->describe()['pointsARack']);
    }

    /** Eight racks (six in the suite: four were too few to tell) with a plan and without: the plan runs out more often, and about as often as it says. */
    public function testAPlanRunsOutMoreThanNoPlan(): void
    {
        $player = Player::of(Level::Professional);
        $tally = [];
        foreach (['plan' => new Planned(SearchBudget::season(GameName::NineBall->rules())), 'greedy' => new Greedy()] as $name => $policy) {
            $tally[$name] = new Tally();
            foreach ((new Season(GameName::NineBall, $player, $policy, 5))->play(Survey::size(8, 4)) as $played) {
                $tally[$name]->add($played);
            }
        }
        self::assertGreaterThanOrEqual(Survey::size(3, 2) + $tally['greedy']->runOuts, $tally['plan']->runOuts);
        // Three standard deviations of what chance does to so few racks.
        self::assertLessThan(3 * $tally['plan']->chance() + 0.04, abs($tally['plan']->rate() - $tally['plan']->predicted()));
    }

    /** The same seed gives the same season. */
    public function testASeasonCanBeHadAgain(): void
    {
        foreach (GameName::cases() as $game) {
            $season = static fn(): array => iterator_to_array((new Season($game, Player::of(Level::League), new Greedy(), 2))->play(Survey::size(2, 1)));
            self::assertEquals($season(), $season(), $game->value);
        }
    }
}
