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

    /** Racks that are won once from either side say that nobody is better, and say so surely. */
    public function testPairsThatAreSharedSayMoreThanRacksByThemselves(): void
    {
        $intervals = [];
        foreach ([[0, 1], [0, 0]] as $others) {
            $tally = new MatchTally();
            for ($n = 0; $n < 40; ++$n) {
                // A tenth of the pairs go to one player, a tenth to the other, the rest are shared.
                $odd = intdiv($n, 2) % 10;
                foreach (0 === $odd ? [0, 0] : (1 === $odd ? [1, 1] : (0 === $others[1] ? array_fill(0, 2, intdiv($n, 2) % 2) : [0, 1])) as $winner) {
                    $tally->add(new MatchRack($winner, 8, []));
                }
            }
            $interval = $tally->describe()['interval'];
            \assert(\is_array($interval) && \is_float($interval[0]) && \is_float($interval[1]));
            $intervals[] = [$interval[0], $interval[1]];
        }
        [[$low, $high], [$lowApart, $highApart]] = $intervals;
        // Eight pairs of forty lie a half from the mean.
        self::assertEqualsWithDelta(0.5 - 1.96 * sqrt(8 * 0.25 / 39 / 40), $low, 1e-4);
        self::assertLessThan($highApart - $lowApart, $high - $low);
        self::assertEqualsWithDelta(0.5 - 1.96 * sqrt(0.25 / 39), $lowApart, 0.01);
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
