<?php

declare(strict_types=1);

namespace ZigLane\Tests\App;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Symfony\Component\Process\Process;

/**
 * lane:shot as it is typed: a process of its own, with no database to talk to.
 */
final class LaneShotCommandTest extends TestCase
{
    private const DIAMOND = 0.3175;

    /**
     * @param array<string, mixed>|string $document
     */
    private static function lane(array|string $document): Process
    {
        return LaneProcess::run(\is_string($document) ? $document : json_encode($document, \JSON_THROW_ON_ERROR), 'lane:shot', '-');
    }

    /**
     * @param array<string|int, array{float, float}> $balls diamonds
     * @param array<string, mixed>               $shot
     *
     * @return array{aimDeg: float, events: list<array{t: float, type: string, balls: list<string>, at: array{float, float}}>, pocketed: list<array{ball: string, pocket: string}>, final: array<int|string, array{float, float}>, routes: array<int|string, list<array{float, float, float}>>, firstHit: string|null, foul: string|null}
     */
    private static function play(array $balls, array $shot): array
    {
        $process = self::lane(['rack' => self::rack($balls), 'shot' => $shot]);
        self::assertSame(0, $process->getExitCode(), $process->getErrorOutput());
        self::assertSame('', $process->getErrorOutput());
        /** @var array{aimDeg: float, events: list<array{t: float, type: string, balls: list<string>, at: array{float, float}}>, pocketed: list<array{ball: string, pocket: string}>, final: array<int|string, array{float, float}>, routes: array<int|string, list<array{float, float, float}>>, firstHit: string|null, foul: string|null} $answer */
        $answer = json_decode($process->getOutput(), true, 64, \JSON_THROW_ON_ERROR);

        return $answer;
    }

    /**
     * @param array<string|int, array{float, float}> $balls
     *
     * @return array<string, mixed>
     */
    private static function rack(array $balls): array
    {
        return ['format' => 'zig-lane/rack', 'version' => 1, 'game' => 'nine-ball', 'balls' => (object) $balls];
    }

    /**
     * Degrees in which a route sets out; it is straight enough over a fiftieth of a second.
     *
     * @param list<array{float, float, float}> $route
     */
    private static function heading(array $route): float
    {
        return rad2deg(atan2($route[1][2] - $route[0][2], $route[1][1] - $route[0][1]));
    }

    /** Elastic mechanics less restitution and throw: a stun shot at a 45° cut parts the balls at nearly a right angle. */
    public function testAStunShotPartsTheBallsAtARightAngle(): void
    {
        // Line of centres at 45°, a tenth of a millimetre apart.
        $gap = (2 * 0.028575 + 1e-4) / self::DIAMOND / M_SQRT2;
        $answer = self::play(['cue' => [3.0, 2.0], '1' => [3.0 + $gap, 2.0 + $gap]], ['aimDeg' => 0, 'speed' => ['mps' => 1.0]]);
        $cue = array_values(array_filter($answer['routes']['cue'], static fn(array $p): bool => $p[0] > 1e-5));
        $apart = self::heading($answer['routes'][1]) - self::heading($cue);
        self::assertEqualsWithDelta(90.0, $apart, 6.0, 'throw and a restitution of 0.95 take a few degrees');
        self::assertSame('1', $answer['firstHit']);
    }

    /** Mechanics: a ball struck in the centre slides 2v/(7 μs g) and then rolls with 5/7 of its speed. */
    public function testFiveSevenths(): void
    {
        $answer = self::play(['cue' => [1.0, 2.0], '9' => [7.0, 3.5]], ['aimDeg' => 0, 'speed' => ['mps' => 1.0 / 1.34634]]);
        $roll = array_values(array_filter($answer['events'], static fn(array $e): bool => 'slide-to-roll' === $e['type']))[0];
        self::assertEqualsWithDelta(0.1457, $roll['t'], 0.0002);
        self::assertEqualsWithDelta(0.1249, ($roll['at'][0] - 1.0) * self::DIAMOND, 0.0002);
        [$a, $b] = \array_slice(array_values(array_filter($answer['routes']['cue'], static fn(array $p): bool => $p[0] >= $roll['t'] - 1e-6)), 0, 2);
        // Mean speed of the rolling stretch to the first rail; it loses μr g all the way.
        $time = $b[0] - $a[0];
        $mean = ($b[1] - $a[1]) * self::DIAMOND / $time;
        self::assertEqualsWithDelta(5 / 7, $mean + 0.01 * 9.80665 * $time / 2, 0.001);
    }

    public function testABallAndAPocketAreEnough(): void
    {
        $answer = self::play(['cue' => [2.0, 2.0], '1' => [5.5, 1.25], '9' => [6.0, 3.1]], ['ball' => '1', 'pocket' => 'foot-left', 'speed' => ['lengths' => 2.0], 'tip' => ['side' => -0.25, 'height' => 0.3]]);
        self::assertSame([['ball' => '1', 'pocket' => 'foot-left']], $answer['pocketed']);
        self::assertNull($answer['foul']);
        self::assertArrayNotHasKey('1', $answer['final']);
        self::assertGreaterThan(-20, $answer['aimDeg']);
        self::assertLessThan(0, $answer['aimDeg']);
        // The same direction, given as a number, does the same.
        $again = self::play(['cue' => [2.0, 2.0], '1' => [5.5, 1.25], '9' => [6.0, 3.1]], ['aimDeg' => $answer['aimDeg'], 'speed' => ['lengths' => 2.0], 'tip' => ['side' => -0.25, 'height' => 0.3]]);
        self::assertSame($answer['pocketed'], $again['pocketed']);
    }

    /**
     * @return iterable<string, array{array<string|int, array{float, float}>, float, float, string|null}>
     */
    public static function fouls(): iterable
    {
        yield 'wrong ball first' => [['cue' => [2.0, 2.0], '1' => [6.0, 3.5], '9' => [4.0, 2.0]], 0.0, 1.5, 'wrong-ball-first'];
        yield 'no ball' => [['cue' => [2.0, 2.0], '1' => [4.0, 3.5]], 0.0, 0.5, 'no-hit'];
        yield 'no rail' => [['cue' => [2.0, 2.0], '1' => [3.0, 2.0]], 0.0, 0.35, 'no-rail'];
        yield 'scratch' => [['cue' => [1.0, 1.0], '1' => [3.0, 3.5]], -135.0, 1.0, 'scratch'];
    }

    /**
     * @param array<string|int, array{float, float}> $balls
     */
    #[DataProvider('fouls')]
    public function testFouls(array $balls, float $aim, float $speed, ?string $foul): void
    {
        self::assertSame($foul, self::play($balls, ['aimDeg' => $aim, 'speed' => ['mps' => $speed]])['foul']);
    }

    /**
     * @return iterable<string, array{array<string, mixed>|string, string}>
     */
    public static function unusable(): iterable
    {
        $rack = self::rack(['cue' => [2.0, 2.0], '1' => [5.0, 2.0], '4' => [4.0, 2.0]]);
        $shot = ['aimDeg' => 0, 'speed' => ['mps' => 1]];
        yield 'not JSON' => ['{"rack":', 'not valid JSON at line 1, column 9: a value was expected, but the file ends here'];
        yield 'no shot' => [['rack' => $rack], 'shot: is missing'];
        yield 'ball outside' => [['rack' => self::rack(['cue' => [2.0, 2.0], '7' => [1.0, 4.3]]), 'shot' => $shot], 'rack.balls.7[1]: 4.3 is outside the table (0–4)'];
        yield 'too fast' => [['rack' => $rack, 'shot' => ['speed' => ['mps' => 20]] + $shot], 'shot.speed.mps: 20 m/s is faster than a person can swing a cue (limit 12 m/s, a hard break)'];
        yield 'no speed' => [['rack' => $rack, 'shot' => ['aimDeg' => 0]], 'shot.speed.mps: is missing'];
        yield 'miscue' => [['rack' => $rack, 'shot' => $shot + ['tip' => ['side' => 0.5, 'height' => 0.2]]], 'shot.tip: 0.54 of the radius from the centre is a miscue (limit 0.50)'];
        yield 'both ways of aiming' => [['rack' => $rack, 'shot' => $shot + ['ball' => '1']], 'shot: says both aimDeg and a ball or pocket'];
        yield 'no aim' => [['rack' => $rack, 'shot' => ['speed' => ['mps' => 1]]], 'shot: needs aimDeg, or ball and pocket'];
        yield 'absent ball' => [['rack' => $rack, 'shot' => ['ball' => '9', 'pocket' => 'foot-left', 'speed' => ['mps' => 1]]], 'shot.ball: the 9 is not on the table'];
        yield 'blocked' => [['rack' => $rack, 'shot' => ['ball' => '1', 'pocket' => 'foot-left', 'speed' => ['mps' => 2]]], 'The 4 is in the cue ball’s way to the 1.'];
    }

    /**
     * @param array<string, mixed>|string $document
     */
    #[DataProvider('unusable')]
    public function testUnusableInputExitsWithTwoAndSaysWhere(array|string $document, string $words): void
    {
        $process = self::lane($document);
        self::assertSame(2, $process->getExitCode());
        self::assertSame('', $process->getOutput());
        self::assertStringContainsString($words, $process->getErrorOutput());
    }

    public function testTheExampleInTheDocumentationWorks(): void
    {
        $process = new Process([\PHP_BINARY, 'bin/console', 'lane:shot', 'docs/shot-example.json'], \dirname(__DIR__, 2), ['APP_ENV' => 'prod', 'ZIG_LANE_INSTANCE' => 'none']);
        $process->run();
        self::assertSame(0, $process->getExitCode(), $process->getErrorOutput());
        self::assertStringContainsString('"pocketed":[{"ball":"1","pocket":"foot-left"}]', $process->getOutput());
    }

    public function testAMissingFile(): void
    {
        $process = new Process([\PHP_BINARY, 'bin/console', 'lane:shot', '/nowhere/shot.json'], \dirname(__DIR__, 2), ['APP_ENV' => 'prod', 'ZIG_LANE_INSTANCE' => 'none']);
        $process->run();
        self::assertSame(2, $process->getExitCode());
        self::assertStringContainsString('/nowhere/shot.json: there is no such file', $process->getErrorOutput());
    }
}
