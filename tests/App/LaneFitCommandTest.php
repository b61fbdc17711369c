<?php

declare(strict_types=1);

namespace ZigLane\Tests\App;

use PHPUnit\Framework\TestCase;
use Symfony\Component\Process\Process;

/**
 * lane:fit as it is typed, on what lane:shoot prints: processes of their own, with no database to talk to.
 */
final class LaneFitCommandTest extends TestCase
{
    private const SHOT = '{"rack":{"format":"zig-lane/rack","version":1,"game":"nine-ball","balls":{"cue":[3,2],"1":[6.5,1.2],"9":[1,1]},"player":{"level":"advanced"}},"shot":{"ball":"1","pocket":"foot-left","speed":{"lengths":2}}}';

    private static function lane(string $document, string ...$words): Process
    {
        return LaneProcess::run($document, ...$words);
    }

    public function testWhatIsShotIsFitted(): void
    {
        $shot = self::lane(self::SHOT, 'lane:shoot', '-', '--tries', '40', '--rng', '2')->getOutput();
        $process = self::lane($shot, 'lane:fit', '-', '--level', 'league', '--refits', '0');
        self::assertSame([0, ''], [$process->getExitCode(), $process->getErrorOutput()]);
        /** @var array{attempts: int, used: int, aim: array<string, float>, speed: array<string, float>, tip: array<string, float>, bias: array<string, float>} $fitted */
        $fitted = json_decode($process->getOutput(), true, 8, \JSON_THROW_ON_ERROR);
        self::assertSame([40, ['deg', 'low', 'high'], ['percent', 'low', 'high'], ['mm', 'low', 'high']], [$fitted['attempts'], array_keys($fitted['aim']), array_keys($fitted['speed']), array_keys($fitted['tip'])]);
        self::assertSame(['aimDeg', 'aimLow', 'aimHigh', 'speedPercent', 'speedLow', 'speedHigh'], array_keys($fitted['bias']));
        self::assertLessThan(0.135, $fitted['aim']['deg'], 'an advanced player aims better than a league player, with whom the fit began');
        self::assertLessThan($fitted['aim']['deg'], $fitted['aim']['low']);
    }

    public function testWhatCannotBeReadIsSaid(): void
    {
        foreach ([['', 'there is no attempt in the file'], ["\n{}", 'line 2: at: is missing'], ['[', 'line 1: ']] as [$text, $message]) {
            $process = self::lane($text, 'lane:fit', '-');
            self::assertSame([2, ''], [$process->getExitCode(), $process->getOutput()]);
            self::assertStringContainsString($message, $process->getErrorOutput());
        }
    }
}
