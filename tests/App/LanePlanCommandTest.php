<?php

declare(strict_types=1);

namespace ZigLane\Tests\App;

use PHPUnit\Framework\TestCase;
use Symfony\Component\Process\Process;

/**
 * lane:plan and lane:season as others call them: a process, JSON on standard output, messages on standard error; no database.
 */
final class LanePlanCommandTest extends TestCase
{
    private const RACK = '{"format":"zig-lane/rack","version":1,"game":"nine-ball","balls":{"cue":[4,2],"1":[6.5,1],"9":[1.3,1.2]}}';

    private const LAST_BALL = '{"format":"zig-lane/rack","version":1,"game":"nine-ball","balls":{"cue":[1,2],"9":[5.5,1.2]}}';

    public function testAPlanIsPrinted(): void
    {
        $run = self::lane(['lane:plan', '-', '--budget', '3', '--rng', '4'], self::RACK);
        self::assertSame(0, $run->getExitCode(), $run->getErrorOutput());
        $plan = json_decode($run->getOutput(), true, 32, \JSON_THROW_ON_ERROR);
        self::assertIsArray($plan);
        self::assertNull($plan['stoppedBecause']);
        self::assertIsArray($plan['shots']);
        self::assertCount(2, $plan['shots']);
        self::assertGreaterThan(0.5, $plan['runOut']);
        [$first, $last] = $plan['shots'];
        self::assertIsArray($first);
        self::assertIsArray($last);
        foreach (['ball', 'pocket', 'shot', 'pot', 'position', 'zone', 'rest', 'why'] as $key) {
            self::assertArrayHasKey($key, $first);
        }
        self::assertSame('1', $first['ball']);
        self::assertSame([], $last['zone']);
        self::assertIsArray($first['zone']);
        self::assertGreaterThan(2, \count($first['zone']));
        // What it prints can be played by lane:shot.
        $shot = self::lane(['lane:shot', '-'], '{"rack":' . self::RACK . ',"shot":' . json_encode($first['shot'], \JSON_THROW_ON_ERROR) . '}');
        $played = json_decode($shot->getOutput(), true, 32, \JSON_THROW_ON_ERROR);
        self::assertIsArray($played);
        self::assertSame([['ball' => '1', 'pocket' => $first['pocket']]], $played['pocketed']);
    }

    /** The same file, seed and count give the same bytes; another seed another draw of the errors, and nearly the same chance. */
    public function testTheSeedIsWhatItSays(): void
    {
        $plan = static fn(string $seed): string => self::lane(['lane:plan', '-', '--steps', '1', '--rng', $seed], self::LAST_BALL)->getOutput();
        [$one, $again, $other] = [$plan('1'), $plan('1'), $plan('5')];
        self::assertSame($one, $again);
        self::assertNotSame($one, $other);
        $runOut = static function (string $text): float {
            $read = json_decode($text, true, 32, \JSON_THROW_ON_ERROR);

            return \is_array($read) && is_numeric($read['runOut']) ? (float) $read['runOut'] : self::fail('no chance');
        };
        // 400 tries each: three standard deviations of their difference at most.
        self::assertEqualsWithDelta($runOut($one), $runOut($other), 3 * sqrt(2 * 0.25 / 400));
    }

    public function testUnusableInputIsRefusedInWords(): void
    {
        foreach ([
            [['lane:plan', '-'], '{"format":"zig-lane/rack","version":1,"game":"nine-ball","balls":{"cue":[9,2]}}', 'balls.cue[0]: 9 is outside the table'],
            [['lane:plan', '/no/such/file'], '', 'there is no such file'],
            [['lane:plan', '-', '--budget', 'long'], self::RACK, '--budget: long is not a number'],
            [['lane:season', '--game', 'snooker'], '', '--game: is none of eight-ball, nine-ball'],
            [['lane:season', '--policy', 'hope'], '', '--policy: is none of plan, people and greedy'],
            [['lane:season', '--racks', '0'], '', '--racks: 0 is not a number from 1'],
        ] as [$words, $input, $said]) {
            $run = self::lane($words, $input);
            self::assertSame(2, $run->getExitCode());
            self::assertSame('', $run->getOutput());
            self::assertStringContainsString($said, $run->getErrorOutput());
        }
    }

    public function testASeasonIsPrinted(): void
    {
        $season = static fn(): mixed => json_decode(self::lane(['lane:season', '--racks', '2', '--policy', 'greedy', '--level', 'professional', '--rng', '9'])->getOutput(), true, 32, \JSON_THROW_ON_ERROR);
        $one = $season();
        self::assertIsArray($one);
        self::assertSame(2, $one['racks']);
        foreach (['runOuts', 'rate', 'interval', 'predicted'] as $key) {
            self::assertArrayHasKey($key, $one);
        }
        $two = $season();
        self::assertIsArray($two);
        unset($one['secondsARack'], $two['secondsARack']);
        self::assertSame($one, $two);
    }

    /**
     * @param list<string> $words
     */
    private static function lane(array $words, string $input = ''): Process
    {
        return LaneProcess::run($input, ...$words);
    }
}
