<?php

declare(strict_types=1);

namespace ZigLane\Tests\Core\Physics;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use ZigLane\Core\Equipment\BallId;
use ZigLane\Core\Equipment\BallSpec;
use ZigLane\Core\Geometry\Point;
use ZigLane\Core\Physics\BallStates;
use ZigLane\Core\Physics\Layout;
use ZigLane\Core\Physics\Motion;
use ZigLane\Core\Physics\Shot;
use ZigLane\Core\Physics\ShotResult;
use ZigLane\Core\Physics\Simulator;
use ZigLane\Core\Physics\Tip;

/**
 * Cue ball against object ball, as they meet a micrometre after the stroke, so that the cue ball still has exactly the
 * speed and spin it was given.
 */
final class BallContactTest extends TestCase
{
    /** Plays a cue ball along +x with centre ball into a 1 that lies turned by the cut, at that ball speed. */
    private static function stun(float $cut, float $ballSpeed = 1.0, BallSpec $ball = new BallSpec()): ShotResult
    {
        $shot = new Shot(0.0, $ballSpeed / (1.75 / (1 + 0.170 / 0.567)));

        return (new Simulator(ball: $ball))->play(Layouts::touching($cut), $shot);
    }

    /** A rolling cue ball: struck 2/5 R above centre. */
    private static function rolling(float $cut, BallSpec $ball): ShotResult
    {
        return (new Simulator(ball: $ball))->play(Layouts::touching($cut), new Shot(0.0, 1.0, new Tip(0.0, 0.4)));
    }

    /**
     * @return iterable<string, array{float}>
     */
    public static function cuts(): iterable
    {
        foreach ([15, 30, 45, 60, 75] as $degrees) {
            yield "{$degrees}°" => [$degrees];
        }
    }

    /** Elastic collision of equal masses (mechanics), e = 1 and no friction: a right angle, and v sin φ is kept. */
    #[DataProvider('cuts')]
    public function testStunSeparatesAtARightAngle(float $degrees): void
    {
        $result = self::stun(deg2rad($degrees), ball: BallSpec::frictionless());
        $cue = Layouts::piece($result, BallId::CUE, false, 1e-9);
        $one = Layouts::piece($result, 1, false);
        self::assertEqualsWithDelta(90.0, abs(Layouts::heading($cue) - Layouts::heading($one)), 0.01);
        self::assertEqualsWithDelta(sin(deg2rad($degrees)), Layouts::speed($cue), 1e-4);
        self::assertEqualsWithDelta(cos(deg2rad($degrees)), Layouts::speed($one), 1e-4);
    }

    /** Common practice, no source: at a 45° cut both balls leave alike and travel equally far. */
    public function testAtA45DegreeStunBothTravelEquallyFar(): void
    {
        $result = self::stun(deg2rad(45), 0.6, BallSpec::frictionless());
        $cue = $result->final->ball(BallId::CUE)->distanceTo(new Point(1.0, 0.6));
        $one = $result->final->ball(1)->distanceTo(Layouts::touching(deg2rad(45))->ball(1));
        self::assertGreaterThan(0.3, $cue);
        self::assertEqualsWithDelta(1.0, $cue / $one, 0.001);
    }

    /**
     * Mechanics, e = 1, no friction: tan δ = sin φ cos φ/(sin² φ + 2/5) for a cue ball that rolls in and rolls out.
     *
     * @return iterable<string, array{float, float}> hit fraction, deflection in degrees
     */
    public static function deflections(): iterable
    {
        yield '3/4 ball' => [0.75, 27.63];
        yield 'half ball' => [0.5, 33.67];
        yield '1/4 ball' => [0.25, 27.27];
    }

    #[DataProvider('deflections')]
    public function testARollingCueBallIsDeflectedByAboutThirtyDegrees(float $fraction, float $degrees): void
    {
        $result = self::rolling(asin(1 - $fraction), BallSpec::frictionless());
        self::assertEqualsWithDelta($degrees, abs(Layouts::heading(Layouts::piece($result, BallId::CUE, true, 1e-4))), 0.02);
    }

    public function testTheGreatestDeflectionIs3375At281Degrees(): void
    {
        $deflection = static fn(float $cut): float => abs(Layouts::heading(Layouts::piece(self::rolling(deg2rad($cut), BallSpec::frictionless()), BallId::CUE, true, 1e-4)));
        self::assertEqualsWithDelta(33.75, $deflection(28.1), 0.01);
        self::assertLessThan($deflection(28.1), $deflection(26.5));
        self::assertLessThan($deflection(28.1), $deflection(29.7));
    }

    /** Mechanics: rolling speeds out are equal at sin² φ = 0.3 (33.2°). */
    public function testEqualSpeedsAtA33DegreeCut(): void
    {
        $result = self::rolling(asin(sqrt(0.3)), BallSpec::frictionless());
        self::assertEqualsWithDelta(
            Layouts::speed(Layouts::piece($result, BallId::CUE, true, 1e-4)),
            Layouts::speed(Layouts::piece($result, 1, true)),
            1e-4,
        );
    }

    /**
     * With friction from W. C. Marlow, "The Physics of Pocket Billiards", 1995, as in the model; common practice (no
     * source) says about seven to one.
     *
     * @return iterable<string, array{float, float}> restitution, ratio of the distances
     */
    public static function follows(): iterable
    {
        yield 'e = 0.95' => [0.95, 6.0];
        yield 'e = 0.98' => [0.98, 6.7];
        yield 'e = 1' => [1.0, 7.2];
    }

    #[DataProvider('follows')]
    public function testStraightFollow(float $restitution, float $ratio): void
    {
        $speed = 1.0 / (1.75 / (1 + 0.170 / 0.567 + 2.5 * 0.16)); // 1 m/s of rolling ball
        $result = (new Simulator(ball: new BallSpec(restitution: $restitution)))
            ->play(Layouts::touching(0.0), new Shot(0.0, $speed, new Tip(0.0, 0.4)));
        $cue = Layouts::speed(Layouts::piece($result, BallId::CUE, true, 1e-4));
        $one = Layouts::speed(Layouts::piece($result, 1, true));
        // Rolling distance grows with the square of the speed.
        self::assertEqualsWithDelta($ratio, ($one / $cue) ** 2, 0.1);
    }

    /** Without friction and e = 1 (mechanics): 5/7 against 2/7 of the speed, 6.25 : 1 in distance. */
    public function testStraightFollowWithoutFriction(): void
    {
        $result = self::rolling(0.0, BallSpec::frictionless());
        $cue = Layouts::speed(Layouts::piece($result, BallId::CUE, true, 1e-4));
        $one = Layouts::speed(Layouts::piece($result, 1, true));
        self::assertEqualsWithDelta(6.25, ($one / $cue) ** 2, 0.001);
    }

    /**
     * Cut-induced throw of a stun shot, worked from R. E. Wallace and M. C. Schroeder, "Analysis of billiard ball
     * collisions in two dimensions", Am. J. Phys. 56, 1988, with Marlow's friction.
     *
     * @return iterable<string, array{float, float, float}> ball speed m/s, cut and throw in degrees
     */
    public static function throws(): iterable
    {
        yield '5° at 1 m/s' => [1.0, 5, 0.73];
        yield '10° at 1 m/s' => [1.0, 10, 1.48];
        yield '20° at 1 m/s' => [1.0, 20, 3.05];
        yield '30° at 1 m/s' => [1.0, 30, 4.16];
        yield '40° at 1 m/s' => [1.0, 40, 3.64];
        yield '75° at 1 m/s' => [1.0, 75, 2.73];
        yield '30° at 3 m/s' => [3.0, 30, 1.78];
    }

    #[DataProvider('throws')]
    public function testCutInducedThrow(float $speed, float $cut, float $throw): void
    {
        self::assertEqualsWithDelta($throw, self::throwOf($cut, $speed, 0.0), 0.01);
    }

    /** Mechanics: the surfaces do not slip when the outside spin is a = (2/5) sin φ; at half ball 0.2 R. */
    public function testGearingOutsideSpinCancelsThrow(): void
    {
        self::assertEqualsWithDelta(0.0, self::throwOf(30.0, 1.0, 0.2), 1e-4);
        self::assertGreaterThan(1.0, self::throwOf(30.0, 1.0, 0.1));
        self::assertLessThan(-1.0, self::throwOf(30.0, 1.0, 0.3));
    }

    /** Common practice, no source: throw is less for a firmer hit, and most near 30° at slow speed. */
    public function testThrowFallsWithSpeed(): void
    {
        self::assertGreaterThan(self::throwOf(30.0, 2.0, 0.0), self::throwOf(30.0, 1.0, 0.0));
        self::assertGreaterThan(self::throwOf(30.0, 4.0, 0.0), self::throwOf(30.0, 2.0, 0.0));
    }

    /** Both balls get the same spin, and momentum is kept (mechanics), whatever the spins. */
    public function testMomentumIsKeptAndSpinIsShared(): void
    {
        mt_srand(11);
        $random = static fn(): float => mt_rand(-1000, 1000) / 1000;
        for ($i = 0; $i < 300; ++$i) {
            $state = new BallStates();
            $angle = M_PI * $random();
            $state->add(1.0, 0.6, new Motion(2 * cos($angle), 2 * sin($angle), 80 * $random(), 80 * $random(), 80 * $random()));
            $away = 2 * Layouts::R + 1e-12;
            $turn = $angle + 1.3 * $random();
            $state->add(1.0 + $away * cos($turn), 0.6 + $away * sin($turn));
            $spin = [$state->wx[0], $state->wy[0], $state->wz[0]];
            (new Simulator())->run($state, stopAtHit: true);
            self::assertSame(1, $state->firstHit);
            self::assertEqualsWithDelta(2 * cos($angle), $state->vx[0] + $state->vx[1], 1e-9);
            self::assertEqualsWithDelta(2 * sin($angle), $state->vy[0] + $state->vy[1], 1e-9);
            foreach ([[$state->wx, $spin[0]], [$state->wy, $spin[1]], [$state->wz, $spin[2]]] as [$w, $before]) {
                self::assertEqualsWithDelta($w[0] - $before, $w[1], 1e-6);
            }
        }
    }

    /** Throw in degrees toward the cue ball's own direction, side in ball radii with outside spin positive. */
    private static function throwOf(float $cut, float $speed, float $outside): float
    {
        $a = deg2rad($cut);
        $state = new BallStates();
        // Cut toward +y, so the outside is the −y half of the cue ball. ωz of a tip on side a is −(5/2) a v/R.
        $state->add(1.0, 0.6, new Motion($speed, 0.0, wz: 2.5 * $outside * $speed / Layouts::R));
        $away = 2 * Layouts::R + 1e-12;
        $state->add(1.0 + $away * cos($a), 0.6 + $away * sin($a));
        (new Simulator())->run($state, stopAtHit: true);

        return $cut - rad2deg(atan2($state->vy[1], $state->vx[1]));
    }

    public function testFrozenBallsPassTheBlowOn(): void
    {
        $balls = [BallId::CUE => new Point(0.5, 0.6)];
        for ($i = 1; $i <= 3; ++$i) {
            $balls[$i] = new Point(0.8 + 2 * Layouts::R * $i, 0.6);
        }
        $result = (new Simulator())->play(new Layout($balls), new Shot(0.0, 1.0));
        $speeds = array_map(static fn(int $b): float => Layouts::speed($result->paths[$b][0]), [1, 2, 3]);
        self::assertGreaterThan(5 * max($speeds[0], $speeds[1]), $speeds[2], 'the last ball takes nearly all of it');
    }
}
