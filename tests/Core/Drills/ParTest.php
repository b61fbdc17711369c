<?php

declare(strict_types=1);

namespace ZigLane\Tests\Core\Drills;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use ZigLane\Core\Drills\Course;
use ZigLane\Core\Drills\Drill;
use ZigLane\Core\Drills\DrillShooter;
use ZigLane\Core\Drills\Files\DrillFile;
use ZigLane\Core\Drills\Par;
use ZigLane\Core\Drills\Progress;
use ZigLane\Core\Logbook\SimulatedPlayer;
use ZigLane\Core\Numerics\Generator;
use ZigLane\Core\Player\Level;
use ZigLane\Core\Player\Player;
use ZigLane\Core\Rack\Files\JsonText;
use ZigLane\Tests\Survey;

/**
 * The drills that come with the program, played by the simulated player.
 */
final class ParTest extends TestCase
{
    /** Those that the suite plays; the survey plays all, at all levels. */
    private const QUICK = ['a-hair-further', 'dead-stop', 'open-the-pair', 'rings-at-the-rail', 'rows-ahead'];

    /** @return iterable<string, array{string}> */
    public static function drills(): iterable
    {
        foreach (DrillFileTest::shipped() as $slug => [$file]) {
            if (Survey::size(1, 0) > 0 || \in_array($slug, self::QUICK, true)) {
                yield $slug => [$file];
            }
        }
    }

    /** With other errors than those that the pars were worked out with. */
    #[DataProvider('drills')]
    public function testTheParIsWhatTheSimulatedPlayerScores(string $file): void
    {
        $drill = self::read($file);
        foreach (Survey::size(1, 0) > 0 ? Level::cases() : [Level::League] as $level) {
            $tests = Survey::size(16, 8);
            $par = Par::of($drill, $level, $tests, new Generator(77));
            // Three standard errors of the difference: the stated par has an error of its own, and is rounded.
            $error = hypot($par->error, $par->spread / sqrt(16)) + 0.05;
            self::assertEqualsWithDelta($drill->pars[$level->value], $par->score, 3 * $error, "$drill->name, $level->value");
        }
    }

    /** @return iterable<string, array{string}> */
    public static function stations(): iterable
    {
        foreach (DrillFileTest::shipped() as $slug => [$file]) {
            if (Course::Onward !== self::read($file)->course && (Survey::size(1, 0) > 0 || \in_array($slug, [...self::QUICK, 'stun-along', 'rows-back'], true))) {
                yield $slug => [$file];
            }
        }
    }

    /** Each station has a stroke with which an advanced player scores, and without error it does what is wanted. */
    #[DataProvider('stations')]
    public function testEveryStationCanBeDone(string $file): void
    {
        $drill = self::read($file);
        $player = Player::of(Level::Advanced);
        $shooter = new DrillShooter($drill, $player, new Generator(5));
        foreach ($drill->stations as $n => $station) {
            if (Course::Run === $drill->course && $n > 0) {
                // Its cue ball comes from the shot before.
                continue;
            }
            $stroke = $shooter->stroke($n);
            self::assertNotNull($stroke, "$drill->name, $station->name");
            self::assertGreaterThan(0, $station->points((new SimulatedPlayer($drill->rack($station, $player), $stroke))->perfect()));
        }
    }

    /** About twelve is good for a strong player; weaker ones get fewer (common practice, no source). */
    public function testJustPastTheLastBall(): void
    {
        $drill = self::read(\dirname(__DIR__, 3) . '/drills/a-hair-further.json');
        $par = static fn(Level $level): float => Par::of($drill, $level, 60, new Generator(3))->score;
        self::assertEqualsWithDelta(12.0, $par(Level::Professional), 2.0);
        self::assertGreaterThan($par(Level::League), $par(Level::Professional));
        self::assertGreaterThan($par(Level::FirstYear), $par(Level::League));
    }

    /** Seven of eight is passed by the strong and not by the weak (common practice, no source). */
    public function testSevenOfEightBaysTellsLevelsApart(): void
    {
        $drill = self::read(\dirname(__DIR__, 3) . '/drills/eight-bays.json');
        self::assertSame(7, $drill->pass);
        self::assertGreaterThan(7.5, $drill->pars['professional']);
        self::assertLessThan(6.5, $drill->pars['league']);
        self::assertLessThan(4.0, $drill->pars['first-year']);
    }

    /** A ball that falls by luck before its turn does not end the run. */
    public function testARunGoesOnWithoutABallThatFellByLuck(): void
    {
        $made = static fn(string $ball): array => ['shot' => ['ball' => $ball, 'pocket' => 'foot-left', 'speed' => ['lengths' => 2.2]], 'rules' => [['points' => 1, 'needs' => ['made']]]];
        // The 2 hangs in the jaws of the pocket that the 1 goes to.
        $document = ['format' => 'zig-lane/drill', 'version' => 1, 'name' => 'Two', 'skill' => 'pattern', 'course' => 'run', 'tries' => 2,
            'stations' => [['balls' => ['cue' => [6.4, 1.6], '1' => [7.2, 0.8], '2' => [7.86, 0.14]]] + $made('1'), $made('2')]];
        $drill = DrillFile::read(JsonText::decode(json_encode($document, \JSON_THROW_ON_ERROR)));
        $par = Par::of($drill, Level::Professional, 4, new Generator(2));
        self::assertLessThanOrEqual((float) $drill->most(), $par->score);
        self::assertGreaterThan(0.0, $par->score);
    }

    public function testWiderAreasScoreMore(): void
    {
        $drill = self::read(\dirname(__DIR__, 3) . '/drills/rings-at-the-rail.json');
        $par = static fn(int $step): float => Par::of($drill->at($step), Level::League, 10, new Generator(4))->score;
        self::assertGreaterThan($par(3), $par(0));
    }

    public function testProgressHasIntervals(): void
    {
        self::assertNull((new Progress([]))->best);
        $few = new Progress([5, 9]);
        self::assertSame([9, 9], [$few->best, $few->last]);
        self::assertNotNull($few->mean);
        // By hand: mean 7, standard error 2, 6.31 of them with one degree of freedom.
        self::assertEqualsWithDelta([7.0, 7.0 - 6.31 * 2.0, 7.0 + 6.31 * 2.0], $few->mean, 1e-9);
        self::assertNull($few->trend);
        $rising = (new Progress([1, 2, 3, 4, 5, 6]))->trend;
        self::assertNotNull($rising);
        self::assertEqualsWithDelta([1.0, 1.0, 1.0], $rising, 1e-9);
        $level = (new Progress([5, 3, 6, 4, 5]))->trend;
        self::assertNotNull($level);
        self::assertLessThan(0.0, $level[1]);
        self::assertGreaterThan(0.0, $level[2]);
    }

    private static function read(string $file): Drill
    {
        return DrillFile::read(JsonText::decode((string) file_get_contents($file), DrillFile::LARGEST));
    }
}
