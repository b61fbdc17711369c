<?php

declare(strict_types=1);

namespace ZigLane\Tests\Core\Logbook;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use ZigLane\Core\Aiming\Pot;
use ZigLane\Core\Equipment\BallId;
use ZigLane\Core\Equipment\Pocket;
use ZigLane\Core\Logbook\Attempt;
use ZigLane\Core\Logbook\Miss;
use ZigLane\Core\Logbook\SimulatedPlayer;
use ZigLane\Core\Numerics\Generator;
use ZigLane\Core\Physics\Speed;
use ZigLane\Core\Player\Level;
use ZigLane\Core\Player\Player;
use ZigLane\Core\Potting\PotChance;
use ZigLane\Core\Rack\Rack;
use ZigLane\Core\Rack\ShotSpec;
use ZigLane\Core\Rack\StatedShot;
use ZigLane\Tests\Core\Reading\Read;

final class SimulatedPlayerTest extends TestCase
{
    private const TRIES = 400;

    /**
     * @return iterable<string, array{array<string|int, array{float, float}>, Level}>
     */
    public static function shots(): iterable
    {
        yield 'a half-ball cut, league' => [['cue' => [5, 2], 1 => [6.5, 1.2], 9 => [1, 1]], Level::League];
        yield 'straight and long, club night' => [['cue' => [2, 1], 1 => [6, 3], 9 => [1, 1]], Level::ClubNight];
        yield 'thin, professional' => [['cue' => [6, 3], 1 => [6.8, 0.8], 9 => [1, 1]], Level::Professional];
    }

    /**
     * The ball drops as often as its chance says that is worked out another way, within three standard errors of 400 tries and two points.
     *
     * @param array<string|int, array{float, float}> $balls
     */
    #[DataProvider('shots')]
    public function testPotsAreMadeAsOftenAsTheirChanceSays(array $balls, Level $level): void
    {
        $rack = Read::rack($balls)->withPlayer(Player::of($level));
        $pot = new Pot(1, Pocket::FootLeft);
        if (abs($rack->layout->ball(BallId::CUE)->y - $rack->table->size->pointAt(0, 1)->y) < 1e-9) {
            $pot = new Pot(1, Pocket::FootRight);
        }
        $meant = ShotSpec::toPocket($pot, Speed::metresPerSecond(2.0));
        $attempts = self::shot($rack, $meant, self::TRIES, 3);
        $dropped = \count(array_filter($attempts, static fn(Attempt $one): bool => !$one->result->after($rack->layout)->has(1)));
        $stroke = StatedShot::play($rack->simulator(), $meant, $rack->layout)->shot->stroke();
        $chance = (new PotChance($rack->simulator(), $rack->layout, $pot, $rack->player))->tried($rack->layout->ball(BallId::CUE), $stroke);
        self::assertEqualsWithDelta($chance, $dropped / self::TRIES, 3 * sqrt($chance * (1 - $chance) / self::TRIES) + 0.02);
        $untold = 0;
        foreach ($attempts as $attempt) {
            self::assertFalse($attempt->result->made && null !== $attempt->result->missed);
            $untold += $attempt->result->after($rack->layout)->has(1) && null === $attempt->result->missed ? 1 : 0;
            self::assertSame(null === $attempt->result->cue, !$attempt->result->after($rack->layout)->has(BallId::CUE));
        }
        // A ball that is not hit at all is missed neither thick nor thin.
        self::assertLessThan(0.03 * self::TRIES, $untold);
    }

    /** Aimed fuller than meant it is missed thick, thinner thin; a ball in the way is kissed. */
    public function testHowItWasMissed(): void
    {
        $rack = Read::rack(['cue' => [5, 2], 1 => [6.5, 1.2], 9 => [1, 1]])->withPlayer(Player::of(Level::FirstYear));
        $told = [];
        foreach (self::shot($rack, ShotSpec::toPocket(new Pot(1, Pocket::FootLeft), Speed::metresPerSecond(2.0)), 200, 5) as $attempt) {
            $miss = $attempt->result->missed;
            $place = $attempt->result->moved[1] ?? null;
            if (null === $miss || null === $place) {
                continue;
            }
            $told[$miss->value] = ($told[$miss->value] ?? 0) + 1;
        }
        self::assertGreaterThan(10, $told[Miss::Thick->value] ?? 0);
        self::assertGreaterThan(10, $told[Miss::Thin->value] ?? 0);
        self::assertGreaterThan(5, $told[Miss::Rattled->value] ?? 0);
        self::assertArrayNotHasKey(Miss::Kissed->value, $told);
        $barred = $rack->withBall(4, $rack->table->size->pointAt(7.0, 1.04));
        $first = self::shot($barred, ShotSpec::toPocket(new Pot(1, Pocket::FootLeft), Speed::metresPerSecond(2.0)), 40, 6);
        self::assertNotSame([], array_filter($first, static fn(Attempt $one): bool => Miss::Kissed === $one->result->missed));
    }

    public function testTheSameSeedShootsTheSame(): void
    {
        $rack = Read::rack(['cue' => [5, 2], 1 => [6.5, 1.2], 9 => [1, 1]]);
        $meant = ShotSpec::toPocket(new Pot(1, Pocket::FootLeft), Speed::metresPerSecond(2.0));
        self::assertEquals(self::shot($rack, $meant, 5, 9), self::shot($rack, $meant, 5, 9));
        self::assertNotEquals(self::shot($rack, $meant, 5, 9), self::shot($rack, $meant, 5, 10));
    }

    /**
     * @return list<Attempt>
     */
    private static function shot(Rack $rack, ShotSpec $meant, int $tries, int $seed): array
    {
        $player = new SimulatedPlayer($rack, $meant);
        $random = new Generator($seed);
        $at = new \DateTimeImmutable('2026-02-03T10:00:00Z');

        return array_map(static fn(int $n): Attempt => $player->shoot($random, $at->modify("+$n minutes")), range(1, $tries));
    }
}
