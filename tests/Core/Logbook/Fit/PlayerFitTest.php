<?php

declare(strict_types=1);

namespace ZigLane\Tests\Core\Logbook\Fit;

use PHPUnit\Framework\TestCase;
use ZigLane\Core\Aiming\AimRefused;
use ZigLane\Core\Aiming\Pot;
use ZigLane\Core\Equipment\Pocket;
use ZigLane\Core\InvalidInput;
use ZigLane\Core\Logbook\Attempt;
use ZigLane\Core\Logbook\Fit\ErrorMode;
use ZigLane\Core\Logbook\Fit\FittedErrors;
use ZigLane\Core\Logbook\Fit\PlayerFit;
use ZigLane\Core\Logbook\SimulatedPlayer;
use ZigLane\Core\Numerics\Generator;
use ZigLane\Core\Physics\Speed;
use ZigLane\Core\Physics\Tip;
use ZigLane\Core\Player\Level;
use ZigLane\Core\Player\Player;
use ZigLane\Core\Rack\ShotSpec;
use ZigLane\Tests\Core\Reading\Read;
use ZigLane\Tests\Survey;

final class PlayerFitTest extends TestCase
{
    private const AIM_DEG = 0.11;
    private const SPEED = 0.16;
    private const TIP = 0.0005;

    /** Where stops are linear in the errors, the density is what drawing the errors gives: 400,000 draws, boxes of 4 cm. */
    public function testTheDensityIsWhatDrawingErrorsGives(): void
    {
        $slopes = [[3.0, -8.0], [1.2, 0.4], [60.0, 250.0], [120.0, -40.0]];
        $mode = new ErrorMode([0.001, -0.05, 0.0002, 0.0], [1.0, 0.5], $slopes, [[-0.002, 0.0015]]);
        $squares = [0.002 ** 2, 0.15 ** 2, 0.0005 ** 2, 0.0005 ** 2];
        $means = [0.0004, 0.02, 0.0, 0.0];
        $random = new Generator(8);
        $half = 0.02;
        $seen = [1.05, 0.48];
        $counts = [0, 0];
        for ($n = 0; $n < 400_000; ++$n) {
            [$x, $y] = [1.0 + 0.03 * $random->normal(), 0.5 + 0.03 * $random->normal()];
            $aim = 0.0;
            foreach ($slopes as $i => [$sx, $sy]) {
                $error = $means[$i] + sqrt($squares[$i]) * $random->normal();
                $aim = 0 === $i ? $error : $aim;
                $x += $sx * ($error - $mode->errors[$i]);
                $y += $sy * ($error - $mode->errors[$i]);
            }
            if (abs($x - $seen[0]) < $half && abs($y - $seen[1]) < $half) {
                ++$counts[$aim > -0.002 && $aim < 0.0015 ? 1 : 0];
            }
        }
        foreach ([false, true] as $dropped) {
            $density = $mode->density($seen, $dropped, $means, $squares, 0.03);
            $drawn = $counts[(int) $dropped] / 400_000 / (4 * $half ** 2);
            self::assertGreaterThan(200, $counts[(int) $dropped]);
            // Three standard errors of the count, and a hundredth for the width of the box.
            self::assertEqualsWithDelta($drawn, $density, (3 / sqrt($counts[(int) $dropped]) + 0.01) * $drawn);
        }
    }

    /**
     * A simulated player's errors are found again, by intervals that hold nine of ten: 300 shots, 100 repeats (the suite: 120 shots once, within
     * twice the error that is stated). Known beforehand is a league player, whose errors are a quarter larger.
     */
    public function testAPlayersErrorsAreFoundAgain(): void
    {
        $repeats = Survey::size(100, 1);
        $shots = Survey::size(300, 120);
        $near = $held = ['aim' => 0, 'speed' => 0, 'tip' => 0];
        foreach (range(1, $repeats) as $seed) {
            $fitted = self::shot($shots, $seed)->fitted()->usual();
            foreach ([['aim', $fitted->aim, deg2rad(self::AIM_DEG), 0.15], ['speed', $fitted->speed, self::SPEED, 0.15], ['tip', $fitted->tip, self::TIP, 0.25]] as [$what, [$value, $low, $high], $true, $within]) {
                $near[$what] += abs($value / $true - 1) <= $within ? 1 : 0;
                $held[$what] += $low <= $true && $true <= $high ? 1 : 0;
                if (1 === $repeats) {
                    self::assertLessThan(2 * log($high / $value), abs(log($value / $true)), $what);
                    self::assertLessThan(0.8, log($high / $value), "$what is known better than before");
                }
            }
        }
        if ($repeats > 1) {
            self::assertGreaterThanOrEqual([0.95 * $repeats, 0.95 * $repeats, 0.9 * $repeats], array_values($near), json_encode([$near, $held], \JSON_THROW_ON_ERROR));
            self::assertGreaterThanOrEqual(0.85 * $repeats, min($held), json_encode([$near, $held], \JSON_THROW_ON_ERROR));
        }
    }

    /** Who always plays a tenth too hard is told so; nothing at all says what was known before. */
    public function testABiasIsFound(): void
    {
        $fitted = self::shot(150, 4, harder: 1.1)->fitted();
        self::assertGreaterThan(0.03, $fitted->speedBias[1]);
        self::assertEqualsWithDelta(0.1, $fitted->speedBias[0], 0.05);
        self::assertLessThan(0.0, $fitted->aimBias[1] * $fitted->aimBias[2], 'of aim there is none');
        $nothing = (new PlayerFit(Player::of(Level::League)))->fitted();
        self::assertSame(0, $nothing->attempts);
        self::assertEqualsWithDelta(Player::of(Level::League)->aim, $nothing->aim[0], 1e-9);
        self::assertEqualsWithDelta(exp(1.645 * 0.5), $nothing->aim[2] / $nothing->aim[0], 0.01);
    }

    /** What the method adds on average is taken out, and the intervals are wider than by the curvature. */
    public function testTheUsualMissIsTakenOut(): void
    {
        $found = new FittedErrors(9, [1.0, 0.8, 1.25], [0.1, 0.09, 0.12], [0.5, 0.4, 0.6], [0.0, -0.1, 0.1], [0.02, 0.0, 0.04]);
        $usual = $found->usual();
        self::assertEqualsWithDelta([exp(0.052), 0.1 * exp(0.034), 0.5 * exp(0.247)], [$usual->aim[0], $usual->speed[0], $usual->tip[0]], 1e-9);
        self::assertEqualsWithDelta(hypot(1.1 * log(1.25), 1.645 * 0.03), log($usual->aim[2] / $usual->aim[0]), 1e-9);
        self::assertEqualsWithDelta(log($usual->tip[2] / $usual->tip[0]), log($usual->tip[0] / $usual->tip[1]), 1e-9);
        self::assertSame($found->aimBias, $usual->aimBias);
        self::assertEqualsWithDelta([0.029, 0.005, 0.053], $usual->speedBias, 1e-9);
    }

    /** The method's own share is taken out: what is corrected is what refits missed, and its interval is wider. */
    public function testACorrectionTakesOutWhatRefitsMiss(): void
    {
        $found = new FittedErrors(9, [1.0, 0.8, 1.25], [0.1, 0.09, 0.12], [0.5, 0.4, 0.6], [0.0, -0.1, 0.1], [0.02, 0.0, 0.04]);
        $corrected = $found->without([[-0.1, 0.0, 0.2, 0.01, -0.01], [-0.3, 0.0, 0.2, 0.03, -0.01]]);
        self::assertEqualsWithDelta(exp(0.2), $corrected->aim[0], 1e-9);
        // The curvature counts as four refits beside the one degree of freedom of two; the mean of two is half as sure again.
        $sigma = sqrt((4 * (log(1.25) / 1.645) ** 2 + 2 * 0.1 ** 2) / 5 * 1.5);
        self::assertEqualsWithDelta(1.645 * $sigma, log($corrected->aim[2] / $corrected->aim[0]), 1e-9);
        self::assertEqualsWithDelta([0.1, 0.1 * exp(log(1.2) * sqrt(0.8 * 1.5))], [$corrected->speed[0], $corrected->speed[2]], 1e-9);
        self::assertEqualsWithDelta([-0.02, 0.03], [$corrected->aimBias[0], $corrected->speedBias[0]], 1e-9);
        self::assertEqualsWithDelta([log(2), 0.0, 0.0, 0.1, 0.02], (new FittedErrors(9, [2.0, 1, 3], [0.1, 0, 1], [0.5, 0, 1], [0.1, 0, 1], [0.02, 0, 1]))->missing($found), 1e-9);
    }

    private static function shot(int $shots, int $seed, float $harder = 1.0): PlayerFit
    {
        $player = new Player(Level::League, deg2rad(self::AIM_DEG), self::SPEED, self::TIP);
        $fit = new PlayerFit(Player::of(Level::League));
        $random = new Generator($seed);
        $at = new \DateTimeImmutable('2026-01-01T12:00:00Z');
        while ($shots > 0) {
            $place = static fn(): array => [$random->between(0.5, 7.5), $random->between(0.4, 3.6)];
            $pocket = Pocket::cases()[$random->integer(0, 5)];
            $speed = $random->between(0.9, 2.8);
            $tip = new Tip([0.0, 0.0, 0.0, 0.2, -0.2][$random->integer(0, 4)], [-0.4, 0.0, 0.3][$random->integer(0, 2)]);
            $meant = static fn(float $times): ShotSpec => ShotSpec::toPocket(new Pot(1, $pocket), Speed::metresPerSecond($times * $speed), $tip);
            try {
                $rack = Read::rack(['cue' => $place(), 1 => $place(), 9 => $place()])->withPlayer($player);
                $attempt = (new SimulatedPlayer($rack, $meant($harder)))->shoot($random, $at);
            } catch (AimRefused|InvalidInput) {
                continue;
            }
            $fit->add(new Attempt($at, $attempt->rack, $meant(1.0), $attempt->result));
            --$shots;
        }

        return $fit;
    }
}
