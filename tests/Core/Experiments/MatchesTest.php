<?php

declare(strict_types=1);

namespace ZigLane\Tests\Core\Experiments;

use PHPUnit\Framework\TestCase;
use ZigLane\Core\Decision\OptionKind;
use ZigLane\Core\Experiments\Matches\Contestant;
use ZigLane\Core\Experiments\Matches\Matches;
use ZigLane\Core\Experiments\Matches\MatchPolicy;
use ZigLane\Core\Experiments\Matches\MatchRack;
use ZigLane\Core\Experiments\Matches\MatchTally;
use ZigLane\Core\Games\GameName;
use ZigLane\Core\Player\Level;
use ZigLane\Core\Player\Player;
use ZigLane\Tests\Survey;

final class MatchesTest extends TestCase
{
    /** A far better player wins the same break, whoever begins; and the same seed gives the same racks (the survey: one rack takes ten seconds). */
    public function testTheBetterPlayerWins(): void
    {
        $racks = Survey::size(2, 1);
        $play = static fn(): array => iterator_to_array((new Matches(GameName::NineBall, [
            new Contestant(Player::of(Level::Professional), MatchPolicy::Go),
            new Contestant(Player::of(Level::FirstYear), MatchPolicy::Go),
        ], 4))->play($racks), false);
        $played = $play();
        self::assertSame(array_fill(0, $racks, 0), array_map(static fn(MatchRack $rack): ?int => $rack->winner, $played));
        if ($racks > 1) {
            self::assertEquals($played, $play());
        }
    }

    public function testATallyCountsRacksAndPredictions(): void
    {
        $tally = new MatchTally();
        $tally->add(new MatchRack(0, 8, [[0, 0.7, OptionKind::Go], [0, 0.5, OptionKind::Safe]]));
        $tally->add(new MatchRack(1, 4, [[0, 0.75, OptionKind::Go]]));
        $tally->add(new MatchRack(null, 60, [[0, 0.1, OptionKind::Go]]));
        $counted = $tally->describe();
        self::assertSame([3, [1, 1], 1, 0.5, 24.0], [$counted['racks'], $counted['won'], $counted['givenUp'], $counted['share'], $counted['shotsARack']]);
        self::assertSame([
            ['of' => 'go', 'shots' => 2, 'predicted' => 0.725, 'won' => 0.5],
            ['of' => 'safe', 'shots' => 1, 'predicted' => 0.5, 'won' => 1.0],
        ], $counted['predictions']);
    }
}
