<?php

declare(strict_types=1);

namespace ZigLane\Tests\Core\Logbook;

use PHPUnit\Framework\TestCase;
use ZigLane\Core\Aiming\Pot;
use ZigLane\Core\Equipment\Pocket;
use ZigLane\Core\Geometry\Point;
use ZigLane\Core\Logbook\Attempt;
use ZigLane\Core\Logbook\AttemptResult;
use ZigLane\Core\Logbook\Forecast;
use ZigLane\Core\Logbook\Habits;
use ZigLane\Core\Logbook\Miss;
use ZigLane\Core\Physics\Speed;
use ZigLane\Core\Rack\ShotSpec;
use ZigLane\Core\Wording\PlayerFitWording;
use ZigLane\Tests\Core\Reading\Read;

/**
 * What is done again and again is told, what chance does is not.
 */
final class HabitsTest extends TestCase
{
    public function testStopsThatAreLongOverThreeCushionsAreTold(): void
    {
        $attempts = [];
        for ($n = 0; $n < 30; ++$n) {
            // Over three cushions 30 cm long on average, ± 10 cm; with none as often long as short.
            $attempts[] = self::attempt(3, 0.3 + 0.1 * (-1) ** $n);
            $attempts[] = self::attempt(0, 0.2 * (-1) ** $n);
        }
        $habits = Habits::of($attempts);
        self::assertCount(1, $habits->stops);
        self::assertSame([3, 30], [$habits->stops[0]['rails'], $habits->stops[0]['shots']]);
        self::assertEqualsWithDelta(0.3, $habits->stops[0]['mean'], 1e-9);
        self::assertSame(
            ['Over three cushions and more the cue ball stops 30 cm long on average (30 shots, 26 cm to 34 cm).'],
            PlayerFitWording::habits($habits, static fn(float $m): string => \sprintf('%.0f cm', 100 * $m)),
        );
        self::assertSame([], Habits::of(\array_slice($attempts, 0, 10))->stops, 'too few');
    }

    public function testMissesToOneSideAreTold(): void
    {
        $attempts = [];
        for ($n = 0; $n < 12; ++$n) {
            // The 1 goes to the left of the line from the cue ball into the foot left pocket.
            $attempts[] = self::attempt(0, 0.0, 0 === $n ? Miss::Thin : Miss::Thick);
            $attempts[] = self::attempt(0, 0.0, 0 === $n % 2 ? Miss::Thin : Miss::Thick, mirrored: true);
        }
        self::assertSame(
            ['Cuts to the left are missed thick: 11 of 12 misses.'],
            PlayerFitWording::habits(Habits::of($attempts), static fn(float $m): string => (string) $m),
        );
    }

    private static function attempt(int $rails, float $long, ?Miss $miss = null, bool $mirrored = false): Attempt
    {
        $across = $mirrored ? 3.0 : 1.0;
        $rack = Read::rack(['cue' => [3.0, $across], 1 => [6.0, $across], 9 => [1.0, 2.0]]);
        $meant = ShotSpec::toPocket(new Pot(1, $mirrored ? Pocket::FootRight : Pocket::FootLeft), Speed::tableLengths(1.5));
        $rest = new Point(1.0, 0.6);
        $forecast = new Forecast(0.8, 0.6, null, $rest, 0.0, $rails);

        return new Attempt(
            new \DateTimeImmutable('@0'),
            $rack,
            $meant,
            new AttemptResult(null === $miss, new Point($rest->x + $long, $rest->y), [1 => null], $miss),
            forecast: $forecast,
        );
    }
}
