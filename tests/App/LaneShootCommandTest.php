<?php

declare(strict_types=1);

namespace ZigLane\Tests\App;

use PHPUnit\Framework\TestCase;
use Symfony\Component\Process\Process;
use ZigLane\Core\Logbook\AttemptFile;

/**
 * lane:shoot as it is typed: a process of its own, with no database to talk to.
 */
final class LaneShootCommandTest extends TestCase
{
    private const SHOT = '{"rack":{"format":"zig-lane/rack","version":1,"game":"nine-ball","balls":{"cue":[3,2],"1":[6.5,1.2],"9":[1,1]}},"shot":{"ball":"1","pocket":"foot-left","speed":{"lengths":2}}}';

    private static function lane(string $document, string ...$options): Process
    {
        return LaneProcess::run($document, 'lane:shoot', '-', ...$options);
    }

    public function testAttemptsArePrintedOneALine(): void
    {
        $process = self::lane(self::SHOT, '--tries', '20', '--rng', '4');
        self::assertSame([0, ''], [$process->getExitCode(), $process->getErrorOutput()]);
        $attempts = iterator_to_array(AttemptFile::read($process->getOutput()));
        self::assertSame(range(1, 20), array_keys($attempts));
        self::assertCount(2, array_unique(array_map(static fn($one): string => $one->result->made ? 'made' : 'missed', $attempts)), 'a league player makes some of them');
        self::assertSame($process->getOutput(), self::lane(self::SHOT, '--tries', '20', '--rng', '4')->getOutput());
    }

    public function testWhatCannotBeShotIsSaid(): void
    {
        foreach ([
            [str_replace('"1","pocket"', '"5","pocket"', self::SHOT), 'shot.ball: the 5 is not on the table'],
            [str_replace('foot-left', 'head-right', self::SHOT), 'It would need a bank.'],
            [str_replace('"shot"', '"stroke"', self::SHOT), 'shot: is missing'],
        ] as [$document, $message]) {
            $process = self::lane($document);
            self::assertSame([2, ''], [$process->getExitCode(), $process->getOutput()]);
            self::assertStringContainsString($message, $process->getErrorOutput());
        }
        self::assertStringContainsString('--tries: 0 is not a number from 1', self::lane(self::SHOT, '--tries', '0')->getErrorOutput());
    }
}
