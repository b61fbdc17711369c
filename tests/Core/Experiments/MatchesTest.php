<?php

declare(strict_types=1);

namespace ZigLane\Tests\Core\Experiments;

use PHPUnit\Framework\TestCase;
use ZigLane\Core\Decision\OptionKind;
use ZigLane\Core\Decision\StrokeEnds;
use ZigLane\Core\Experiments\Matches\Contestant;
use ZigLane\Core\Experiments\Matches\Effort;
use ZigLane\Core\Experiments\Matches\Matches;
use ZigLane\Core\Experiments\Matches\MatchPolicy;
use ZigLane\Core\Experiments\Matches\MatchRack;
use ZigLane\Core\Experiments\Matches\MatchRackFile;
use ZigLane\Core\Experiments\Matches\MatchTally;
use ZigLane\Core\Experiments\Matches\Prediction;
use ZigLane\Core\Experiments\Matches\TableAnalysis;
use ZigLane\Core\Games\GameName;
use ZigLane\Core\InvalidInput;
use ZigLane\Core\Numerics\Generator;
use ZigLane\Core\Physics\Layout;
use ZigLane\Core\Player\ErrorSample;
use ZigLane\Core\Player\Level;
use ZigLane\Core\Player\Player;
use ZigLane\Core\Potting\ErrorSamples;
use ZigLane\Tests\Core\Reading\Read;
use ZigLane\Tests\Survey;

final class MatchesTest extends TestCase
{
    /** A far better player wins the same break, whoever begins; and the same seed gives the same racks (the survey: one rack takes ten seconds there). */
    public function testTheBetterPlayerWins(): void
    {
        $racks = 2;
        $play = static fn(): array => iterator_to_array((new Matches(GameName::NineBall, [
            new Contestant(Player::of(Level::Professional), MatchPolicy::Go),
            new Contestant(Player::of(Level::FirstYear), MatchPolicy::Go),
        ], 4, 0 === Survey::size(1, 0) ? Effort::Quick : Effort::Full))->play($racks), false);
        $played = $play();
        self::assertSame(array_fill(0, $racks, 0), array_map(static fn(MatchRack $rack): ?int => $rack->winner, $played));
        self::assertEquals($played, $play());
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
        $tally->add(new MatchRack(0, 8, [new Prediction(0, 0.7, OptionKind::Go), new Prediction(0, 0.5, OptionKind::Safe)]));
        $tally->add(new MatchRack(1, 4, [new Prediction(0, 0.75, OptionKind::Go)]));
        $tally->add(new MatchRack(null, 60, [new Prediction(0, 0.1, OptionKind::Go)]));
        $counted = $tally->describe();
        self::assertSame([3, [1, 1], 1, 0.5, 24.0], [$counted['racks'], $counted['won'], $counted['givenUp'], $counted['share'], $counted['shotsARack']]);
        self::assertSame([
            ['of' => 'go', 'shots' => 2, 'predicted' => 0.725, 'won' => 0.5],
            ['of' => 'safe', 'shots' => 1, 'predicted' => 0.5, 'won' => 1.0],
        ], $counted['predictions']);
    }

    /** Equal players of whom one was lucky: less that, nobody is better, and surely so. */
    public function testWhatLuckExplainsIsTakenOff(): void
    {
        $tally = new MatchTally();
        foreach (range(0, 39) as $n) {
            // Of five pairs three go to the luckier player, one to the other, one is shared.
            [$luck, $winners] = [[0.5, [0, 0]], [0.5, [0, 0]], [0.5, [0, 0]], [-0.5, [1, 1]], [0.0, [0, 1]]][intdiv($n, 2) % 5];
            $tally->add(new MatchRack($winners[$n % 2], 8, [], $luck + 0.05 * ($n % 3 - 1)));
        }
        $told = $tally->describe();
        $plain = $told['interval'];
        $less = $told['withoutLuck'];
        \assert(\is_array($plain) && \is_float($plain[0]) && \is_float($plain[1]));
        \assert(\is_array($less) && \is_array($less['interval']));
        [$low, $high] = $less['interval'];
        \assert(\is_float($low) && \is_float($high));
        self::assertSame(0.7, $told['share']);
        self::assertEqualsWithDelta(0.5, $less['share'], 0.01);
        self::assertLessThan(0.2 * ($plain[1] - $plain[0]), $high - $low);
    }

    /** A player who was told 60 % and wins 60 % but for luck is seen to, whoever won; one who was told 70 % is seen not to have been. */
    public function testPredictionsAreHeldAgainstWhatIsWonLessLuck(): void
    {
        $random = new Generator(7);
        foreach ([0.6, 0.7] as $told) {
            $tally = new MatchTally();
            for ($n = 0; $n < 400; ++$n) {
                // Half of what decides the rack comes before the second prediction, half after it.
                $before = $random->between(0.0, 1.0) < 0.5 ? 0.2 : -0.2;
                $true = 0.6 + $before;
                $wins = $random->between(0.0, 1.0) < $true;
                $luck = $before + ($wins ? 1.0 : 0.0) - $true;
                $tally->add(new MatchRack($wins ? 0 : 1, 8, [
                    new Prediction(0, $told, OptionKind::Go, 0.0),
                    new Prediction(0, $told + $before, OptionKind::Safe, $before),
                ], $luck));
            }
            $all = $tally->describe()['told'];
            \assert(\is_array($all) && \is_float($all['wonLessLuck']) && \is_float($all['low']) && \is_float($all['high']));
            self::assertEqualsWithDelta(0.6, $all['wonLessLuck'], 0.015);
            self::assertEqualsWithDelta($told, $all['predicted'], 0.015);
            self::assertSame(0.6 === $told, $all['low'] <= $all['predicted'] && $all['predicted'] <= $all['high']);
        }
    }

    /** What is called luck comes to nothing on average: drawn errors against others. */
    public function testLuckIsNoSkill(): void
    {
        $rack = Read::rack(['cue' => [3, 1], 7 => [6, 1.6], 8 => [2, 3.3], 9 => [5, 0.4]])->withPlayer(Player::of(Level::League));
        [$analysis] = TableAnalysis::ofBoth($rack, [$rack->player, $rack->player], Effort::Full);
        [$laid, $choice] = $analysis->plan($rack);
        self::assertNotNull($choice);
        $adviser = $analysis->adviser($laid);
        [$stroke, $pot] = [$choice->route->shot->stroke(), $choice->route->pot];
        $ends = new StrokeEnds($laid);
        $random = new Generator(5);
        $luck = array_map(static fn(int $_): float => $adviser->worth($ends->end($stroke, $pot, ErrorSample::drawn($random)))
            - $adviser->expected($stroke, $pot, ErrorSamples::random(12, $random)), range(1, 300));
        $mean = array_sum($luck) / 300;
        $error = sqrt(array_sum(array_map(static fn(float $one): float => ($one - $mean) ** 2, $luck)) / 299 / 300);
        self::assertLessThan(0.05, $error);
        self::assertEqualsWithDelta(0.0, $mean, 2.6 * $error);
        // The same table is thought about once.
        self::assertSame($choice, $analysis->plan($rack->withLayout(new Layout($rack->layout->balls)))[1]);
    }

    /** Racks are written, read again and counted alike; what is none is named. */
    public function testRacksAreKept(): void
    {
        $racks = [
            new MatchRack(0, 8, [new Prediction(0, 0.71234, OptionKind::Go, 0.125), new Prediction(1, 0.5, OptionKind::TwoWay)], -0.25),
            new MatchRack(null, 60, []),
        ];
        $text = implode("\n", array_map(MatchRackFile::line(...), $racks)) . "\n";
        self::assertEquals($racks, MatchRackFile::read($text));
        self::assertSame([], MatchRackFile::read(''));
        foreach ([
            '{}' => 'line 1 is no rack of a match',
            '{"winner":2,"shots":3,"luck":0.0,"predictions":[]}' => 'line 1 is no rack of a match',
            $text . 'x' => 'line 3 is no rack of a match',
            MatchRackFile::line($racks[0]) . "\n" . '{"winner":0,"shots":3,"luck":0.0,"predictions":[[0,"a","go"]]}' => 'line 2 is no rack of a match',
            MatchRackFile::line($racks[0]) => 'ends in the middle of a pair: take its last line out',
        ] as $wrong => $why) {
            try {
                MatchRackFile::read($wrong);
                self::fail("Read: $wrong");
            } catch (InvalidInput $e) {
                self::assertSame("results: $why", $e->getMessage());
            }
        }
    }

    /** What was played before is not played again. */
    public function testAMatchGoesOn(): void
    {
        $players = [new Contestant(Player::of(Level::Professional), MatchPolicy::Go), new Contestant(Player::of(Level::Professional), MatchPolicy::Go)];
        self::assertSame([], iterator_to_array((new Matches(GameName::NineBall, $players, 4))->play(2, 2), false));
    }
}
