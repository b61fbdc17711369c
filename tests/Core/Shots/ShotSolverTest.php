<?php

declare(strict_types=1);

namespace ZigLane\Tests\Core\Shots;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use ZigLane\Core\Aiming\AimRefused;
use ZigLane\Core\Aiming\Pot;
use ZigLane\Core\Aiming\RefusalReason;
use ZigLane\Core\Equipment\Pocket;
use ZigLane\Core\Equipment\Rail;
use ZigLane\Core\Physics\EventType;
use ZigLane\Core\Physics\Layout;
use ZigLane\Core\Physics\Shot;
use ZigLane\Core\Physics\Simulator;
use ZigLane\Core\Physics\Stroke;
use ZigLane\Core\Shots\Intent;
use ZigLane\Core\Shots\ShotKind;
use ZigLane\Core\Shots\ShotSolver;
use ZigLane\Core\Shots\ShotTable;
use ZigLane\Tests\Core\Reading\Read;

final class ShotSolverTest extends TestCase
{
    /**
     * @return iterable<string, array{array<string|int, array{float, float}>, Intent, Pocket, float|Stroke}> balls in diamonds, the 9 to
     *                                                                                                       be potted; speed, m/s
     */
    public static function shots(): iterable
    {
        yield 'bank across the table' => [['cue' => [1.6, 2.0], 9 => [2.9, 2.9]], new Intent(ShotKind::Bank, [Rail::Right]), Pocket::SideLeft, 2.5];
        yield 'bank up the table' => [['cue' => [6.2, 1.6], 9 => [7.1, 1.9]], new Intent(ShotKind::Bank, [Rail::Foot]), Pocket::HeadRight, 3.5];
        yield 'bank off two cushions' => [['cue' => [5.0, 0.6], 9 => [6.7, 2.1]], new Intent(ShotKind::Bank, [Rail::Foot, Rail::Right]), Pocket::HeadLeft, 3.5];
        yield 'kick off a cushion' => [['cue' => [2.8, 1.9], 4 => [5.0, 1.1], 9 => [7.6, 0.3]], new Intent(ShotKind::Kick, [Rail::Right]), Pocket::FootLeft, 2.5];
        yield 'kick off two cushions' => [['cue' => [3.1, 2.9], 9 => [5.5, 1.7]], new Intent(ShotKind::Kick, [Rail::Right, Rail::Foot]), Pocket::SideLeft, 3.5];
        yield 'kick off three cushions' => [['cue' => [3.4, 1.2], 9 => [5.7, 2.7]], new Intent(ShotKind::Kick, [Rail::Left, Rail::Foot, Rail::Right]), Pocket::SideLeft, 3.5];
        yield 'combination' => [['cue' => [4.0, 1.6], 1 => [6.1, 1.1], 9 => [7.2, 0.65]], new Intent(ShotKind::Combination, other: 1), Pocket::FootLeft, 2.0];
        yield 'combination with a cut' => [['cue' => [3.0, 1.6], 1 => [5.2, 1.9], 9 => [7.0, 1.0]], new Intent(ShotKind::Combination, other: 1), Pocket::FootLeft, 2.4];
        yield 'three balls' => [['cue' => [4.0, 1.0], 1 => [5.5, 2.1], 5 => [6.2, 2.6], 9 => [7.1, 3.3]], new Intent(ShotKind::Combination, other: 1, then: 5), Pocket::FootRight, 2.5];
        yield 'rail first' => [['cue' => [4.0, 2.0], 9 => [6.2, 3.72]], new Intent(ShotKind::RailFirst, [Rail::Right]), Pocket::FootRight, 2.0];
        yield 'kiss' => [['cue' => [6.0, 1.4], 5 => [7.2, 3.6], 9 => [6.9, 2.2]], new Intent(ShotKind::Kiss, other: 5), Pocket::FootRight, 2.0];
        yield 'carom' => [['cue' => [4.2, 1.2], 1 => [5.2, 2.3], 9 => [7.65, 3.6]], new Intent(ShotKind::Carom, other: 1), Pocket::FootRight, 2.6];
    }

    /**
     * As above; what it means for the cue ball is asserted in testARaisedCueGoesOverOrRound.
     *
     * @return iterable<string, array{array<string|int, array{float, float}>, Intent, Pocket, Stroke}>
     */
    public static function raised(): iterable
    {
        $jump = new Stroke(3.5, 0.0, 0.0, deg2rad(35));
        yield 'jump' => [['cue' => [2.0, 2.0], 6 => [3.1, 2.1], 9 => [6.4, 3.0]], new Intent(ShotKind::Jump, other: 6), Pocket::FootRight, $jump];
        $right = new Stroke(1.8, 0.4, -0.2, deg2rad(20));
        yield 'swerve' => [['cue' => [3.4, 1.0], 6 => [4.5, 1.6], 9 => [5.3, 1.8]], new Intent(ShotKind::Swerve, other: 6), Pocket::FootRight, $right];
        yield 'wider' => [['cue' => [2.4, 1.2], 6 => [3.4, 2.0], 9 => [5.9, 3.3]], new Intent(ShotKind::Swerve, other: 6), Pocket::FootRight, $right];
    }

    /**
     * Played in the middle of what was found, and just inside its edges, it goes as it is meant to; just outside it does not.
     *
     * @param array<string|int, array{float, float}> $balls
     */
    #[DataProvider('shots')]
    #[DataProvider('raised')]
    public function testWhatIsSolvedIsMade(array $balls, Intent $intent, Pocket $pocket, float|Stroke $speed): void
    {
        $stroke = $speed instanceof Stroke ? $speed : new Stroke($speed, 0.0, 0.1);
        $rack = Read::rack($balls);
        $solver = new ShotSolver($rack->simulator());
        $pot = new Pot(9, $pocket);
        $solved = $solver->solve($rack->layout, $pot, $intent, $stroke);
        self::assertSame($pocket, $solved->result->pocketed[9] ?? null);
        self::assertSame($intent->first(9), $solved->result->firstHit);
        self::assertGreaterThan(deg2rad(0.01), $solved->width());
        $made = static function (float $share) use ($rack, $solved): bool {
            $shot = $solved->shot->withAim($solved->low + $share * $solved->width());

            return null !== ($rack->simulator()->play($rack->layout, $shot)->pocketed[9] ?? null);
        };
        self::assertTrue($made(0.03));
        self::assertTrue($made(0.97));
        self::assertFalse($made(-0.03) && $made(1.03) && $made(-0.2) && $made(1.2), 'it has edges');
        $right = $solver->solve($rack->layout, $pot, $intent, $stroke, 1.0);
        self::assertEqualsWithDelta($right->high, $right->shot->aim, 1e-12);
    }

    /**
     * @param array<string|int, array{float, float}> $balls
     */
    #[DataProvider('raised')]
    public function testARaisedCueGoesOverOrRound(array $balls, Intent $intent, Pocket $pocket, Stroke $stroke): void
    {
        $rack = Read::rack($balls);
        $solved = (new ShotSolver($rack->simulator()))->solve($rack->layout, new Pot(9, $pocket), $intent, $stroke);
        $hit = $solved->result->eventsOf(0, EventType::BallBall)[0];
        $nearest = INF;
        $height = 0.0;
        $sign = [];
        $six = $rack->layout->ball(6);
        $line = $rack->layout->ball(0)->angleTo($hit->at);
        foreach ($solved->result->paths[0] as $piece) {
            for ($n = 0; $n <= 50 && $piece->from < $hit->time; ++$n) {
                $time = $piece->from + ($piece->to - $piece->from) * $n / 50;
                $at = $piece->at($time);
                if ($at->distanceTo($six) < $nearest) {
                    $nearest = $at->distanceTo($six);
                    $height = $piece->heightAt($time);
                }
                $sign[] = sin($rack->layout->ball(0)->angleTo($at) - $line) * $rack->layout->ball(0)->distanceTo($at);
            }
        }
        if (ShotKind::Jump === $intent->kind) {
            self::assertGreaterThan(2 * 0.028575, hypot($nearest, $height));
            self::assertLessThan(2 * 0.028575, $nearest, 'over it, not past it');

            return;
        }
        self::assertGreaterThan(2 * 0.028575, $nearest, 'past it, on the cloth or near it');
        self::assertGreaterThan(0.01, max(0.0, ...array_map(abs(...), $sign)), 'it curves by a centimetre at least');
    }

    /** How a combination of three balls grows errors: each further ball multiplies them by about its distance over a diameter. */
    public function testAThirdBallGrowsTheError(): void
    {
        $rack = Read::rack(['cue' => [4.0, 1.0], 1 => [5.5, 2.1], 5 => [6.2, 2.6], 9 => [7.1, 3.3]]);
        $simulator = $rack->simulator();
        $solved = (new ShotSolver($simulator))->solve(
            $rack->layout,
            new Pot(9, Pocket::FootRight),
            new Intent(ShotKind::Combination, other: 1, then: 5),
            new Stroke(2.5, 0.0, 0.1),
        );
        // Directions in which each ball sets out, for the cue turned by a thousandth of a degree either way.
        $step = deg2rad(0.001);
        $ways = array_map(static function (float $off) use ($simulator, $rack, $solved): array {
            $result = $simulator->play($rack->layout, $solved->shot->withAim($solved->shot->aim + $off));

            return array_map(static fn(int $ball): float => atan2($result->paths[$ball][0]->vy, $result->paths[$ball][0]->vx), [1, 5, 9]);
        }, [-$step, $step]);
        $growth = [];
        foreach ($ways[0] as $n => $way) {
            $growth[] = abs($ways[1][$n] - $way) / (2 * $step);
        }
        // Plain geometry of three straight hits, each with the gap between its balls: a ball sent over a gap d hits the next with an error
        // of the centre d / 2R greater at its direction.
        $place = $rack->layout->ball(...);
        $worked = [];
        $error = 1.0;
        foreach ([[0, 1], [1, 5], [5, 9]] as [$from, $to]) {
            // Centre to centre d, sent with the error ε: where they meet it is ε d off, and the line of centres turns by (d ε − 2R ε) / 2R.
            $error *= ($place($from)->distanceTo($place($to)) - 2 * 0.028575) / (2 * 0.028575);
            $worked[] = $error;
        }
        // Cuts make it larger and throw a little smaller, so within a third for each ball.
        foreach ($growth as $n => $grown) {
            self::assertEqualsWithDelta($worked[$n], $grown, $worked[$n] * ((4 / 3) ** ($n + 1) - 1));
        }
        self::assertGreaterThan(100.0, $growth[2], 'a hundredfold and more at the last');
    }

    /** Where there is no such shot, the reason is said. */
    public function testWhyNot(): void
    {
        $rack = Read::rack(['cue' => [1.6, 2.0], 1 => [5.0, 3.0], 9 => [2.9, 2.9]]);
        $why = static function (Intent $intent, float $speed, Pocket $pocket = Pocket::SideLeft) use ($rack): string {
            try {
                (new ShotSolver($rack->simulator()))->solve($rack->layout, new Pot(9, $pocket), $intent, new Stroke($speed, 0.0, 0.0));
            } catch (AimRefused $e) {
                return $e->getMessage() . ' ' . $e->reason->value;
            }

            return 'it goes';
        };
        self::assertSame('Too soft: harder, a bank puts the 9 in the side left pocket. too-soft', $why(new Intent(ShotKind::Bank, [Rail::Right]), 1.4));
        self::assertSame('it goes', $why(new Intent(ShotKind::Bank, [Rail::Right]), 2.5));
        self::assertSame('From here the 9 cannot be sent off the head rail. missed', $why(new Intent(ShotKind::Bank, [Rail::Head]), 2.5));
        self::assertStringStartsWith('From here the 1 cannot be sent into the 9. ' . RefusalReason::Missed->value, $why(new Intent(ShotKind::Combination, other: 1), 2.5, Pocket::FootLeft));
    }

    /**
     * Mirror aiming is wrong: a ball rolled off a cushion comes off longer, one hit hard shorter (common practice, no source: "hard shortens the
     * angle"). The direction that a ball must be sent in for a bank at about 45°, against the mirror's; measured, degrees.
     */
    public function testSpeedShortensABank(): void
    {
        $rack = Read::rack(['cue' => [1.0, 0.6], 9 => [2.2, 1.8]]);
        $intent = new Intent(ShotKind::Bank, [Rail::Right]);
        $table = new ShotTable($rack->simulator(), $rack->layout, new Pot(9, Pocket::FootLeft), $intent);
        $mirror = $table->ball->angleTo($table->image($table->mouth));
        $off = [];
        foreach ([2.6, 4.0, 6.0] as $speed) {
            $result = (new ShotSolver($rack->simulator()))->solve($rack->layout, $table->pot, $intent, new Stroke($speed, 0.0, 0.1))->result;
            $rail = $result->eventsOf(9, EventType::BallCushion)[0]->at;
            $off[] = rad2deg($table->ball->angleTo($rail) - $mirror);
        }
        // Hit harder it must be sent at a flatter angle to the rail, to come to the same pocket.
        self::assertGreaterThan($off[1], $off[0]);
        self::assertGreaterThan($off[2], $off[1]);
        self::assertGreaterThan(1.0, $off[0] - $off[2]);
        self::assertLessThan(12.0, max(array_map(abs(...), $off)));
    }

    /**
     * Two frozen balls: hit from the side, the second is thrown to the other side of their line (common practice, no source).
     */
    public function testAFrozenCombinationThrows(): void
    {
        $simulator = new Simulator();
        $d = 2 * $simulator->ball->radius;
        $one = Read::rack(['cue' => [2.0, 1.0], 1 => [4.0, 2.0]])->layout;
        $two = $one->ball(1)->toward(0.0, $d);
        $frozen = new Layout($one->balls + [9 => $two]);
        $thrown = [];
        foreach ([-0.5, 0.5] as $side) {
            // The cue ball comes straight along the line but hits the first ball a little to one side.
            $cue = $one->ball(1)->toward(M_PI + $side, 0.6);
            $state = $simulator->play($frozen->with(0, $cue), new Shot($cue->angleTo($one->ball(1)), 2.0));
            $path = $state->paths[9][0];
            $thrown[] = rad2deg(atan2($path->vy, $path->vx));
        }
        self::assertEqualsWithDelta(-$thrown[0], $thrown[1], 0.05, 'the same to either side');
        self::assertGreaterThan(1.0, abs($thrown[0]));
        self::assertLessThan(6.0, abs($thrown[0]));
    }
}
