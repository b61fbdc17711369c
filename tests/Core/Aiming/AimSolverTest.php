<?php

declare(strict_types=1);

namespace ZigLane\Tests\Core\Aiming;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use ZigLane\Core\Aiming\AimRefused;
use ZigLane\Core\Aiming\AimRequest;
use ZigLane\Core\Aiming\AimSolution;
use ZigLane\Core\Aiming\AimSolver;
use ZigLane\Core\Aiming\PocketWindow;
use ZigLane\Core\Aiming\RefusalReason;
use ZigLane\Core\Equipment\Pocket;
use ZigLane\Core\Equipment\Table;
use ZigLane\Core\Equipment\TableSize;
use ZigLane\Core\Geometry\Angle;
use ZigLane\Core\Geometry\Point;
use ZigLane\Core\InvalidInput;
use ZigLane\Core\Physics\BallStates;
use ZigLane\Core\Physics\Layout;
use ZigLane\Core\Physics\Motion;
use ZigLane\Core\Physics\Simulator;
use ZigLane\Core\Physics\Tip;

final class AimSolverTest extends TestCase
{
    /**
     * 300 random open shots: cut under 60°, side pockets within 45° of square, cue speeds 1–3 m/s, tips within 0.4 R,
     * on three table sizes. Shots whose object ball cannot roll as far as the pocket by the plain energy balance are
     * not open ones and are drawn again; how many is reported and bounded.
     */
    public function testRandomOpenShots(): void
    {
        mt_srand(7);
        $random = static fn(float $a, float $b): float => $a + ($b - $a) * mt_rand() / mt_getrandmax();
        $refused = $potted = $tooFar = 0;
        $why = [];
        foreach (TableSize::cases() as $size) {
            $simulator = new Simulator(new Table($size));
            $solver = new AimSolver($simulator);
            $g = $simulator->geometry;
            for ($n = 0; $n < 100;) {
                $cue = new Point($random(0.03, $g->length - 0.03), $random(0.03, $g->width - 0.03));
                $ball = new Point($random(0.03, $g->length - 0.03), $random(0.03, $g->width - 0.03));
                $shape = $g->pockets[mt_rand(0, 5)];
                $mouth = $shape->mouthMiddle();
                $way = $ball->angleTo($mouth);
                $ghost = $ball->toward($way, -0.05715);
                $cut = abs(Angle::wrap($way - $cue->angleTo($ghost)));
                if ($cue->distanceTo($ball) < 0.08 || $ball->distanceTo($mouth) < 0.1 || $cut > M_PI / 3 || !$g->canRest($ghost)
                    || ($shape->pocket->isSide() && $shape->angleFromSquare($way) > M_PI / 4)) {
                    continue;
                }
                $turn = $random(0, 2 * M_PI);
                $r = 0.4 * sqrt($random(0, 1));
                $request = new AimRequest(1, $shape->pocket, $random(1, 3), new Tip($r * cos($turn), $r * sin($turn)));
                // The cue ball leaves at V (1+e)/(1+m/M+5/2 r²), slides down to 5/7 at worst, gives cos φ (1+e)/2 of it
                // to the ball, and 5/7 of that rolls at most v²/(2 μr g). Draw may take it to less: bound by the blow.
                $speed = 1.75 * $request->speed / (1.3 + 2.5 * $r * $r);
                $spin = 5 / 7 + 5 / 7 * $request->tip->height;
                $rolls = (5 / 7 * 0.975 * cos($cut) * $speed * min(1.0, $spin)) ** 2 / (2 * 0.01 * 9.80665);
                if ($rolls < $ball->distanceTo($mouth) + 0.06 + 0.5 * $cue->distanceTo($ball)) {
                    ++$tooFar;
                    continue;
                }
                ++$n;
                try {
                    $solution = $solver->solve(new Layout([0 => $cue, 1 => $ball]), $request);
                    $again = $simulator->play(new Layout([0 => $cue, 1 => $ball]), $solution->shot);
                    $potted += ($again->pocketed[1] ?? null) === $shape->pocket ? 1 : 0;
                } catch (AimRefused $e) {
                    ++$refused;
                    $why[] = $e->getMessage();
                    self::assertGreaterThan(20, \strlen($e->getMessage()));
                }
            }
        }
        self::assertLessThanOrEqual(9, $refused, implode("\n", $why));
        self::assertGreaterThanOrEqual(0.98 * (300 - $refused), $potted);
        self::assertLessThan(90, $tooFar, 'most random shots reach the pocket');
    }

    private static function solve(Point $cue, Point $ball, Pocket $pocket, float $speed = 1.5, Tip $tip = new Tip(), float $elevation = 0.0, float $offset = 0.0): AimSolution
    {
        return (new AimSolver(new Simulator()))->solve(new Layout([0 => $cue, 1 => $ball]), new AimRequest(1, $pocket, $speed, $tip, $elevation, $offset));
    }

    public function testTheCorrectionsAddUpToTheAim(): void
    {
        $cue = new Point(0.8, 0.5);
        $ball = new Point(1.7, 0.45);
        $s = self::solve($cue, $ball, Pocket::FootLeft, 1.5, new Tip(0.3, -0.1), deg2rad(5));
        // Cue → cue ball's way to the contact: squirt and swerve. Line of centres → the ball's way: throw.
        self::assertEqualsWithDelta(0.0, Angle::wrap($s->shot->aim + $s->squirt + $s->swerve - $cue->angleTo($s->ghost)), 1e-9);
        self::assertEqualsWithDelta(0.0, Angle::wrap($s->ghost->angleTo($ball) + $s->throw - $s->target), deg2rad(0.2));
        self::assertEqualsWithDelta(0.05715, $s->ghost->distanceTo($ball), 1e-9);
        self::assertEqualsWithDelta(1 - sin(abs($s->cutAngle)), $s->hitFraction(), 1e-12);
        self::assertLessThan(0, $s->squirt, 'a tip on the right squirts left');
        self::assertGreaterThan(0, $s->swerve, 'and a raised cue brings it back');
    }

    /** Common practice, no source: without outside spin a ball must be cut a little more than geometry says. */
    public function testThrowMakesTheTrueGhostBallThinner(): void
    {
        $s = self::solve(new Point(1.0, 0.3), new Point(1.7, 0.6), Pocket::FootRight, 1.0);
        $geometric = abs(Angle::wrap($s->geometric->angleTo(new Point(1.7, 0.6)) - (new Point(1.0, 0.3))->angleTo($s->geometric)));
        self::assertGreaterThan($geometric, abs($s->cutAngle));
        self::assertLessThan(0, $s->throw * $s->cutAngle, 'throw is against the cut');
    }

    public function testThePartOfThePocketIsTheOneAskedFor(): void
    {
        $ball = new Point(1.9, 0.6);
        $hits = [];
        foreach ([-0.9, 0.0, 0.9] as $offset) {
            $s = self::solve(new Point(1.4, 0.7), $ball, Pocket::FootLeft, offset: $offset);
            $hits[] = $s->target;
            self::assertSame(Pocket::FootLeft, $s->result->pocketed[1]);
        }
        self::assertLessThan($hits[1], $hits[0]);
        self::assertLessThan($hits[2], $hits[1]);
        self::assertEqualsWithDelta($hits[1], ($hits[0] + $hits[2]) / 2, 1e-3);
    }

    /** Common practice, no source: a ball that touches the rail before the pocket drops when soft, rattles when hard. */
    public function testAlongTheRailSoftDropsAndHardRattles(): void
    {
        $simulator = new Simulator();
        $g = $simulator->geometry;
        $drops = static function (float $speed) use ($simulator, $g): bool {
            // Rolling from 0.1 m off the rail, to touch it 0.3 m before the nose tip.
            $from = new Point(1.6, 0.1);
            $way = $from->angleTo(new Point($g->length - $g->cornerCut - 0.3, $g->reach));
            [$x, $y] = [$speed * cos($way), $speed * sin($way)];
            $state = new BallStates();
            $state->add($from->x, $from->y, Motion::rolling($x, $y, $simulator->ball->radius));
            $simulator->run($state);

            return $state->pocket[0] === Pocket::FootLeft->index();
        };
        self::assertSame([true, true, true, false, false], array_map($drops, [0.6, 1.0, 1.5, 4.0, 5.0]));
    }

    /** Side pockets close as the approach flattens (common practice, no source). */
    public function testASidePocketNarrowsAsTheAngleFlattens(): void
    {
        $simulator = new Simulator();
        $width = static function (float $degrees) use ($simulator): float {
            $shape = $simulator->geometry->pocket(Pocket::SideLeft);
            $from = $shape->mouthMiddle()->toward(deg2rad(90 - $degrees), 0.5);

            return PocketWindow::of($simulator, $shape, $from, 1.2)->width();
        };
        self::assertGreaterThan($width(35), $width(0));
        self::assertGreaterThan($width(55), $width(35));
    }

    /**
     * @return iterable<string, array{array<int, array{float, float}>, AimRequest, RefusalReason, string}>
     */
    public static function refusals(): iterable
    {
        $to = static fn(Pocket $pocket, float $speed = 1.5, int $ball = 1): AimRequest => new AimRequest($ball, $pocket, $speed);
        yield 'cue ball blocked' => [[0 => [2, 2], 1 => [6, 2], 4 => [4, 2]], $to(Pocket::FootLeft, 2.0), RefusalReason::CueBallBlocked, 'The 4 is in the cue ball’s way to the 1.'];
        yield 'ball blocked' => [[0 => [4, 2], 1 => [5.5, 2], 3 => [7, 0.8]], $to(Pocket::FootLeft, 2.0), RefusalReason::ObjectBallBlocked, 'The 3 blocks the 1’s way to the foot left pocket.'];
        yield 'wrong side' => [[0 => [6, 2], 1 => [4, 2]], $to(Pocket::FootLeft), RefusalReason::TooThin, 'wrong side of the 1 for the foot left pocket'];
        yield 'hair-thin' => [[0 => [3.13, 0.757], 1 => [4, 2]], $to(Pocket::FootLeft, 1.5), RefusalReason::TooThin, 'Too thin: a 88° cut on the 1 into the foot left pocket.'];
        yield 'closed side pocket' => [[0 => [1, 0.6], 1 => [2, 0.2]], $to(Pocket::SideLeft), RefusalReason::PocketClosed, 'side left pocket is closed from there: 84° off square. It would need a bank.'];
        yield 'too soft for the ball' => [[0 => [1, 2], 1 => [2, 2]], $to(Pocket::FootLeft, 0.5), RefusalReason::TooSoft, 'Too soft'];
        yield 'too soft for the cue ball' => [[0 => [1, 2], 1 => [7, 2]], $to(Pocket::FootLeft, 0.2), RefusalReason::TooSoft, 'Too soft: the cue ball does not reach the 1.'];
        yield 'not there' => [[0 => [1, 2], 1 => [7, 2]], $to(Pocket::FootLeft, 1.0, 5), RefusalReason::NotOnTable, 'The 5 is not on the table.'];
    }

    /**
     * @param array<int, array{float, float}> $balls diamonds
     */
    #[DataProvider('refusals')]
    public function testARefusalSaysWhy(array $balls, AimRequest $request, RefusalReason $reason, string $words): void
    {
        $layout = new Layout(array_map(static fn(array $p): Point => TableSize::NineFoot->pointAt($p[0], $p[1]), $balls));
        try {
            (new AimSolver(new Simulator()))->solve($layout, $request);
            self::fail('It was solved.');
        } catch (AimRefused $e) {
            self::assertStringContainsString($words, $e->getMessage());
            self::assertSame($reason, $e->reason);
        }
    }

    public function testAnOffsetOutsideTheMouthIsRefused(): void
    {
        $this->expectException(InvalidInput::class);
        $this->expectExceptionMessage('pocketOffset: 1.2 is outside −1 … 1');
        new AimRequest(1, Pocket::FootLeft, 1.0, offset: 1.2);
    }
}
