<?php

declare(strict_types=1);

namespace ZigLane\Tests\Core\Decision;

use PHPUnit\Framework\TestCase;
use ZigLane\Core\Aiming\Pot;
use ZigLane\Core\Decision\AdvisedSearch;
use ZigLane\Core\Decision\Contest;
use ZigLane\Core\Decision\End;
use ZigLane\Core\Decision\EndKind;
use ZigLane\Core\Decision\OpenTableTurns;
use ZigLane\Core\Decision\OptionKind;
use ZigLane\Core\Decision\StrokeEnds;
use ZigLane\Core\Equipment\Pocket;
use ZigLane\Core\Games\Group;
use ZigLane\Core\Physics\AimedStroke;
use ZigLane\Core\Physics\Stroke;
use ZigLane\Core\Planning\CountedDeadline;
use ZigLane\Core\Planning\Planner;
use ZigLane\Core\Planning\SearchBudget;
use ZigLane\Core\Player\Level;
use ZigLane\Core\Player\Player;
use ZigLane\Core\Rack\Rack;
use ZigLane\Tests\Core\Reading\Read;

final class OpenTableTurnsTest extends TestCase
{
    /** Two solids that lie well, and stripes of which two are pressed together at a rail. */
    private const BALLS = ['cue' => [4.0, 1.6], 2 => [7.2, 3.2], 3 => [6.2, 0.7], 9 => [3.0, 0.21], 10 => [3.2, 0.21], 11 => [3.1, 0.36], 8 => [1.0, 2.5]];

    public function testEachMayTakeEither(): void
    {
        $rack = self::rack();
        $open = self::contest($rack);
        self::assertInstanceOf(OpenTableTurns::class, $open->turns);
        $solids = $open->afterLegal(Group::Solids);
        $stripes = $open->afterLegal(Group::Stripes);
        $layout = $rack->layout;
        self::assertSame($solids->runOut($layout), $open->runOut($layout));
        self::assertGreaterThan($stripes->runOut($layout) + 0.1, $solids->runOut($layout));
        // The one who takes the good group wins more often than the other, who then has to play the bad one.
        self::assertGreaterThan($stripes->average($layout) + 0.2, $solids->average($layout));
        self::assertLessThan($solids->average($layout) + 1e-9, $open->average($layout));
        self::assertGreaterThan(0.5, $open->average($layout));
    }

    /** Two players of one level see the same table, whoever comes to it. */
    public function testWhatOneWinsTheOtherLoses(): void
    {
        $rack = self::rack();
        $open = self::contest($rack);
        self::assertEqualsWithDelta($open->average($rack->layout), $open->reversed()->average($rack->layout), 1e-9);
        self::assertEqualsWithDelta(1 - $open->average($rack->layout), $open->failing($rack->layout), 1e-9);
        self::assertSame($open->turn($rack->layout), $open->reversed()->turn($rack->layout));
        $weaker = Contest::of($rack, Player::of(Level::ClubNight), new Planner($rack, SearchBudget::quick()));
        self::assertGreaterThan($open->average($rack->layout), $weaker->average($rack->layout));
        self::assertSame(Level::ClubNight, $weaker->reversed()->turns->rack()->player->level);
        // A ball that is made takes its group, and the other player the other.
        $taken = new End(EndKind::Made, $rack->layout, [], Group::Stripes);
        self::assertSame($open->afterLegal(Group::Stripes)->turn($rack->layout), $taken->value($open));
        self::assertSame(Group::Solids, $open->afterLegal(Group::Stripes)->reversed()->turns->rack()->group);
    }

    public function testABallThatIsMadeTakesItsGroup(): void
    {
        $rack = Read::rack(['cue' => [6.0, 2.0], 12 => [7.0, 3.0], 3 => [1, 1], 8 => [2, 2]], 'eight-ball');
        $way = $rack->layout->ball(0)->angleTo($rack->layout->ball(12));
        $stroke = new AimedStroke($way, new Stroke(3.5, 0.0, -0.25));
        $ends = new StrokeEnds($rack);
        self::assertSame(Group::Stripes, $ends->end($stroke, new Pot(12, Pocket::FootRight))->taken);
        self::assertNull($ends->end($stroke, null)->taken);
        self::assertNull((new StrokeEnds($rack->withGroup(Group::Stripes)))->end($stroke, new Pot(12, Pocket::FootRight))->taken);
    }

    /** Go for the group that lies well; what is asked is asked of the open table. */
    public function testAnOpenTableIsAdvisedOn(): void
    {
        $rack = self::rack()->against(Player::of(Level::Advanced));
        $advised = null;
        foreach ((new AdvisedSearch($rack, deadline: new CountedDeadline(1)))->plans() as $advised) {
        }
        $advice = $advised?->advice;
        self::assertNotNull($advice);
        self::assertSame(OptionKind::Go, $advice->choice);
        self::assertNull($advice->rack->group);
        self::assertSame(Group::Solids, $advised?->plan->rack->group);
        $safe = $advice->of(OptionKind::Safe)?->win();
        self::assertGreaterThan($safe + 0.1, $advice->win());
        self::assertGreaterThan(0.2, $safe);
    }

    private static function rack(): Rack
    {
        return Read::rack(self::BALLS, 'eight-ball')->withPlayer(Player::of(Level::Advanced));
    }

    private static function contest(Rack $rack): Contest
    {
        return Contest::of($rack, $rack->player, new Planner($rack, SearchBudget::quick()));
    }
}
