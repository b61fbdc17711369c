<?php

declare(strict_types=1);

namespace ZigLane\Tests\Core\Physics;

use PHPUnit\Framework\TestCase;
use ZigLane\Core\Equipment\BallId;
use ZigLane\Core\Geometry\Point;
use ZigLane\Core\Physics\Event;
use ZigLane\Core\Physics\EventType;
use ZigLane\Core\Physics\Layout;
use ZigLane\Core\Physics\Shot;
use ZigLane\Core\Physics\ShotResult;
use ZigLane\Core\Physics\Simulator;
use ZigLane\Core\Physics\Tip;

/**
 * What every player knows. All of it is common practice, no source.
 */
final class TradeTest extends TestCase
{
    /**
     * @param array<int, Point> $others
     */
    private static function play(Point $cue, float $aimDeg, float $speed, Tip $tip, array $others = []): ShotResult
    {
        return (new Simulator())->play(new Layout([BallId::CUE => $cue] + $others), new Shot(deg2rad($aimDeg), $speed, $tip));
    }

    /**
     * @return list<Event>
     */
    private static function rails(ShotResult $result): array
    {
        return $result->eventsOf(BallId::CUE, EventType::BallCushion);
    }

    public function testADragShotArrivesRollingAndSofterThanItLeft(): void
    {
        $shot = self::play(new Point(0.4, 0.6), 0, 2.0, new Tip(0.0, -0.4));
        $left = Layouts::speed($shot->paths[BallId::CUE][0]);
        $roll = Layouts::piece($shot, BallId::CUE, true);
        self::assertLessThan(1.6, $roll->start->x, 'it rolls well before the far rail');
        self::assertLessThan(0.5 * $left, Layouts::speed($roll), 'at less than half its speed');
        $centre = self::play(new Point(0.4, 0.6), 0, 2.0, new Tip());
        self::assertLessThan(Layouts::speed(Layouts::piece($centre, BallId::CUE, true)), Layouts::speed($roll));
    }

    public function testSideSpinFadesOnALongSlowShot(): void
    {
        $turn = static function (float $distance): float {
            $shot = self::play(new Point(2.5 - $distance, 0.6), 0, 0.75, new Tip(0.4, 0.2));
            $away = Layouts::piece($shot, BallId::CUE, true, self::rails($shot)[0]->time);

            return rad2deg(atan2($away->vy, -$away->vx));
        };
        self::assertGreaterThan(15.0, $turn(0.4));
        self::assertLessThan(0.75 * $turn(0.4), $turn(2.0));
    }

    public function testDrawFadesWithDistance(): void
    {
        $back = static function (float $distance): float {
            $shot = self::play(new Point(2.0 - $distance, 0.6), 0, 2.2, new Tip(0.0, -0.45), [1 => new Point(2.0, 0.6)]);
            $hit = $shot->eventsOf(BallId::CUE, EventType::BallBall)[0];

            return $hit->at->x - $shot->final->ball(BallId::CUE)->x;
        };
        self::assertGreaterThan(0.3, $back(0.3));
        self::assertLessThan(0.5 * $back(0.3), $back(1.2));
    }

    public function testForceFollowLeavesTheTangentLineLaterWhenHitHarder(): void
    {
        // How far along the tangent line the cue ball gets before it is 2 cm off it.
        $leaves = static function (float $speed): float {
            $one = new Point(1.0, 0.6 + 2 * Layouts::R * sin(deg2rad(40)));
            $shot = self::play(new Point(0.6, 0.6), 0, $speed, new Tip(0.0, 0.4), [1 => $one]);
            $hit = $shot->eventsOf(BallId::CUE, EventType::BallBall)[0];
            $tangent = $hit->at->angleTo($one) - M_PI / 2;
            foreach ($shot->paths[BallId::CUE] as $piece) {
                for ($t = max($piece->from, $hit->time); $t < $piece->to; $t += 0.002) {
                    $p = $piece->at($t);
                    $along = ($p->x - $hit->at->x) * cos($tangent) + ($p->y - $hit->at->y) * sin($tangent);
                    $off = abs(($p->y - $hit->at->y) * cos($tangent) - ($p->x - $hit->at->x) * sin($tangent));
                    if ($off > 0.02) {
                        return $along;
                    }
                }
            }
            self::fail('It never leaves the tangent line.');
        };
        $slow = $leaves(1.0);
        self::assertGreaterThan(1.5 * $slow, $leaves(2.0));
        self::assertGreaterThan(1.5 * $leaves(2.0), $leaves(4.0));
    }

    public function testOffOneCushionRunningLengthensAndReverseHolds(): void
    {
        // Stunned into the right rail at 35° from its normal, going toward the foot: left side is running there.
        $shot = static fn(float $side): ShotResult => self::play(new Point(0.9, 0.6), 55, 1.6, new Tip($side, 0.0));
        $reaches = static function (float $side) use ($shot): float {
            $result = $shot($side);
            $away = Layouts::piece($result, BallId::CUE, true, self::rails($result)[0]->time);

            return rad2deg(atan2($away->vx, -$away->vy));
        };
        self::assertGreaterThan($reaches(0.0) + 3, $reaches(-0.4));
        self::assertLessThan($reaches(0.0) - 3, $reaches(0.4));
    }

    public function testOffTwoCushionsRunningGoesFurtherThanReverse(): void
    {
        $way = static function (float $side): float {
            $result = self::play(new Point(1.7, 0.5), 55, 2.2, new Tip($side, 0.1));
            self::assertGreaterThanOrEqual(2, \count(self::rails($result)));
            $second = self::rails($result)[1]->time;
            $length = 0.0;
            foreach ($result->paths[BallId::CUE] as $piece) {
                $length += $piece->from >= $second - 1e-12 ? $piece->length() : 0.0;
            }

            return $length;
        };
        self::assertGreaterThan(1.08 * $way(0.0), $way(-0.4));
        self::assertLessThan($way(0.0), $way(0.4));
    }

    /** Inside spin does little on the first cushion of a drawn shot and takes on the second. */
    public function testInsideSpinWithDrawTakesOnTheSecondCushion(): void
    {
        // Into the foot rail nearly square, then into the right rail: a tip on the right turns it right off the first.
        $angles = static function (float $side): array {
            $result = self::play(new Point(1.9, 0.95), 20, 2.0, new Tip($side, -0.25));
            $rails = self::rails($result);
            self::assertGreaterThanOrEqual(2, \count($rails));
            $after = Layouts::piece($result, BallId::CUE, true, $rails[1]->time);

            return [$rails[0]->at->x > 2.5, $rails[1]->at->y > 1.2, rad2deg(atan2(-$after->vx, -$after->vy))];
        };
        [$foot, $right, $plain] = $angles(0.0);
        self::assertTrue($foot && $right, 'foot rail, then right rail');
        [$foot, $right, $with] = $angles(0.3);
        self::assertTrue($foot && $right);
        self::assertGreaterThan(8.0, abs($with - $plain), 'the second cushion shows the spin');
    }
}
