<?php

declare(strict_types=1);

namespace ZigLane\Tests\Core\Physics;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use ZigLane\Core\Equipment\BallId;
use ZigLane\Core\Equipment\CueSpec;
use ZigLane\Core\Geometry\Angle;
use ZigLane\Core\Geometry\Point;
use ZigLane\Core\Physics\EventType;
use ZigLane\Core\Physics\Layout;
use ZigLane\Core\Physics\PathPiece;
use ZigLane\Core\Physics\Shot;
use ZigLane\Core\Physics\ShotResult;
use ZigLane\Core\Physics\Simulator;
use ZigLane\Core\Physics\Tip;

/**
 * Jumps, hops and curves of a raised cue. The numbers of the model (what the slate gives back) stand in Settings\Defaults; everything
 * else is mechanics worked again here.
 */
final class FlightTest extends TestCase
{
    private const G = 9.80665;

    /**
     * The height of a jump is that of a throw, v² sin²ε / 2g, less what slate and cloth keep: half of the speed into them above 0.4 m/s
     * comes back.
     *
     * @return iterable<string, array{float, float}>
     */
    public static function jumps(): iterable
    {
        yield 'low and hard' => [20.0, 5.0];
        yield 'half-way up' => [45.0, 3.0];
        yield 'steep' => [65.0, 2.5];
    }

    #[DataProvider('jumps')]
    public function testTheHeightOfAJump(float $degrees, float $speed): void
    {
        $result = $this->alone(new Shot(0.0, $speed, new Tip(), deg2rad($degrees)));
        $down = 1.75 / (1.0 + 0.170 / 0.567) * $speed * sin(deg2rad($degrees));
        $up = 0.5 * ($down - 0.4);
        $hop = $this->inAir($result)[0];
        self::assertSame(0.0, $hop->from);
        self::assertEqualsWithDelta($up * $up / (2 * self::G), $hop->peak(), 1e-9);
        self::assertEqualsWithDelta(2 * $up / self::G, $hop->to, 1e-9);
        // In the air it goes straight on at an even speed; the cloth has taken μ (down + up), or all of its slip.
        $level = 1.75 / (1.0 + 0.170 / 0.567) * $speed * cos(deg2rad($degrees));
        $level -= min(0.2 * ($down + $up), $level / 3.5);
        self::assertEqualsWithDelta($level * $hop->to, $hop->start->distanceTo($hop->end()), 1e-9);
        // The next hop begins with half of what is left above 0.4 m/s.
        $next = $this->inAir($result)[1] ?? null;
        self::assertEqualsWithDelta($up > 0.44 ? 0.5 * ($up - 0.4) : 0.0, null === $next ? 0.0 : $next->vz, 1e-9);
    }

    /** A stroke softer than the cloth swallows leaves the ball on it: it is not in the air for an instant. */
    public function testASoftStrokeWithARaisedCueStaysOnTheCloth(): void
    {
        self::assertSame([], $this->inAir($this->alone(new Shot(0.0, 1.5, new Tip(), deg2rad(8)))));
    }

    /**
     * The least elevation that clears a whole ball at a distance, for a cue speed: where the middle of the flying ball never comes nearer
     * to that of the other than a diameter. Worked here by bisection over a parabola in steps of a tenth of a millimetre.
     *
     * @return iterable<string, array{float, float}>
     */
    public static function hurdles(): iterable
    {
        yield 'near' => [0.2, 4.0];
        yield 'further' => [0.35, 3.5];
        yield 'hard' => [0.5, 4.5];
    }

    #[DataProvider('hurdles')]
    public function testTheLeastElevationThatClearsABall(float $distance, float $speed): void
    {
        $clears = static function (float $elevation) use ($distance, $speed): bool {
            $v = 1.75 / (1.0 + 0.170 / 0.567) * $speed;
            $down = $v * sin($elevation);
            $up = max(0.0, 0.5 * ($down - 0.4));
            $level = $v * cos($elevation) - 0.2 * ($down + $up);
            for ($x = 0.0; $x < $distance + 0.06; $x += 1e-4) {
                $t = $x / $level;
                $z = max(0.0, $up * $t - self::G * $t * $t / 2);
                if (hypot($x - $distance, $z) < 2 * Layouts::R) {
                    return false;
                }
            }

            return true;
        };
        $jumps = function (float $elevation) use ($distance, $speed): bool {
            $layout = new Layout([BallId::CUE => new Point(0.6, 0.635), 1 => new Point(0.6 + $distance, 0.635)]);

            $result = (new Simulator())->play($layout, new Shot(0.0, $speed, new Tip(), $elevation));
            foreach ($result->events as $event) {
                if (EventType::BallBall === $event->type || EventType::BallCushion === $event->type || EventType::LeftTable === $event->type) {
                    return EventType::BallBall !== $event->type;
                }
            }
            self::fail('it meets nothing');
        };
        $worked = self::least($clears);
        self::assertGreaterThan(15.0, $worked);
        self::assertEqualsWithDelta($worked, self::least($jumps), 0.05);
    }

    /**
     * @param callable(float): bool $enough
     *
     * @return float degrees
     */
    private static function least(callable $enough): float
    {
        $low = 0.0;
        $high = deg2rad(60);
        while ($high - $low > 1e-4) {
            $middle = ($low + $high) / 2;
            $enough($middle) ? $high = $middle : $low = $middle;
        }

        return rad2deg($high);
    }

    /**
     * G. Coriolis, "Théorie mathématique des effets du jeu de billard", 1835: the way of a massé, once the ball rolls, is parallel to the
     * line from the ball's contact with the cloth to where the cue's axis meets the cloth. For a cue without squirt.
     *
     * @return iterable<string, array{float, float, float, float}>
     */
    public static function raised(): iterable
    {
        yield 'swerve' => [20.0, 0.4, 0.0, 1.5];
        yield 'swerve, low' => [25.0, -0.3, -0.3, 1.8];
        yield 'half-massé' => [50.0, 0.4, -0.2, 1.2];
        yield 'massé' => [70.0, 0.35, -0.3, 1.5];
        yield 'hops on the way' => [60.0, -0.4, -0.1, 3.0];
    }

    #[DataProvider('raised')]
    public function testAMasseEndsAsCoriolisFound(float $degrees, float $side, float $height, float $speed): void
    {
        $e = deg2rad($degrees);
        $layout = new Layout([BallId::CUE => new Point(1.2, 0.6)]);
        $simulator = new Simulator(cue: new CueSpec(endMassRatio: 1e12));
        $result = $simulator->play($layout, new Shot(0.3, $speed, new Tip($side, $height), $e));
        $rolling = Layouts::piece($result, BallId::CUE, true);
        foreach ($result->events as $event) {
            self::assertFalse(EventType::BallCushion === $event->type && $event->time < $rolling->from, 'no rail before it rolls');
        }
        // The tip's place: a to the right, b up across the cue, c back along it. Down the axis from there to the cloth.
        $back = sqrt(1.0 - $side ** 2 - $height ** 2);
        $ahead = $height * sin($e) - $back * cos($e) + (1.0 + $height * cos($e) + $back * sin($e)) / tan($e);
        self::assertEqualsWithDelta(
            rad2deg(Angle::wrap(0.3 + atan2($side, $ahead))),
            Layouts::heading($rolling),
            1e-6,
        );
    }

    /** Under the sliding parabola the way bends by (μs g / 2) t² against the first slip until it rolls: worked from the strike alone. */
    public function testTheCurveOfASwerve(): void
    {
        $simulator = new Simulator(cue: new CueSpec(endMassRatio: 1e12));
        $result = $simulator->play(new Layout([BallId::CUE => new Point(0.4, 0.5)]), new Shot(0.0, 1.4, new Tip(0.4, 0.0), deg2rad(15)));
        $slide = Layouts::piece($result, BallId::CUE, false);
        $v = 1.75 / (1.0 + 0.170 / 0.567 + 2.5 * 0.16) * 1.4;
        // v and R ω just after the tip: forward v cosε, spin about the line of travel −(5/2) v a sinε.
        $ux = $v * cos(deg2rad(15));
        $uy = -2.5 * $v * 0.4 * sin(deg2rad(15));
        $slip = hypot($ux, $uy);
        $rub = 0.2 * $v * sin(deg2rad(15)); // the cloth's friction in the stroke, no hop
        $vx = $v * cos(deg2rad(15)) - $rub * $ux / $slip;
        $vy = -$rub * $uy / $slip;
        $t = 2 * ($slip - 3.5 * $rub) / (7 * 0.2 * self::G);
        self::assertEqualsWithDelta($t, $slide->to - $slide->from, 1e-9);
        $end = $slide->end();
        self::assertEqualsWithDelta(0.4 + $vx * $t - 0.1 * self::G * $ux / $slip * $t * $t, $end->x, 1e-9);
        self::assertEqualsWithDelta(0.5 + $vy * $t - 0.1 * self::G * $uy / $slip * $t * $t, $end->y, 1e-9);
    }

    /** A ball that comes down on another throws it forward and stays behind; nothing overlaps (InvariantsTest) and both end on the cloth. */
    public function testAJumpShotPotsABallBehindAnother(): void
    {
        $layout = new Layout([BallId::CUE => new Point(0.6, 0.635), 1 => new Point(0.95, 0.635), 2 => new Point(1.8, 0.635)]);
        $result = (new Simulator())->play($layout, new Shot(0.0, 4.0, new Tip(), deg2rad(35)));
        self::assertSame(2, $result->firstHit);
        self::assertNotContains(1, $result->eventsOf(2, EventType::BallBall)[0]->balls);
        $over = array_values(array_filter($this->inAir($result), static fn(PathPiece $p): bool => $p->start->x < 0.95 && $p->end()->x > 0.95));
        self::assertCount(1, $over, 'it flies over the 1');
        self::assertGreaterThan(2 * Layouts::R, $over[0]->heightAt($over[0]->from + (0.95 - $over[0]->start->x) / $over[0]->vx));
    }

    /** Over the nose and away: the cue ball is off the table, which is told, and a foul as a scratch is. */
    public function testABallThatFliesOverTheRailIsGone(): void
    {
        $result = (new Simulator())->play(new Layout([BallId::CUE => new Point(2.3, 0.6)]), new Shot(0.0, 6.0, new Tip(), deg2rad(40)));
        self::assertSame([BallId::CUE], $result->offTable);
        self::assertTrue($result->scratched());
        self::assertFalse($result->final->has(BallId::CUE));
        self::assertSame(EventType::LeftTable, $result->events[\count($result->events) - 1]->type);
        self::assertEqualsWithDelta(2.54, $result->events[\count($result->events) - 1]->at->x, 1e-9);
    }

    /** The nose stops a ball that comes lower; struck above its middle the nose throws it up, struck below it presses it down. */
    public function testANoseInFlight(): void
    {
        $result = (new Simulator())->play(new Layout([BallId::CUE => new Point(2.4, 0.6)]), new Shot(0.0, 2.6, new Tip(), deg2rad(25)));
        self::assertSame([], $result->offTable);
        $met = $result->eventsOf(BallId::CUE, EventType::BallCushion)[0];
        $before = array_values(array_filter($this->inAir($result), static fn(PathPiece $p): bool => abs($p->to - $met->time) < 1e-9));
        self::assertCount(1, $before, 'it was in the air');
        $height = $before[0]->heightAt($met->time);
        // The nose is an edge 0.27 R above the middle of a ball on the cloth; the ball's surface touches it.
        self::assertEqualsWithDelta(Layouts::R, hypot(2.54 - $met->at->x, 0.27 * Layouts::R - $height), 1e-7);
    }

    private function alone(Shot $shot): ShotResult
    {
        return (new Simulator())->play(new Layout([BallId::CUE => new Point(0.5, 0.635)]), $shot);
    }

    /**
     * @return list<PathPiece>
     */
    private function inAir(ShotResult $result): array
    {
        return array_values(array_filter($result->paths[BallId::CUE] ?? [], static fn(PathPiece $p): bool => $p->inAir()));
    }
}
