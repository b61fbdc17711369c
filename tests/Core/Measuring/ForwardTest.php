<?php

declare(strict_types=1);

namespace ZigLane\Tests\Core\Measuring;

use PHPUnit\Framework\TestCase;
use ZigLane\Core\Equipment\BallSpec;
use ZigLane\Core\Geometry\Point;
use ZigLane\Core\Measuring\DeflectionTest;
use ZigLane\Core\Measuring\Guess;
use ZigLane\Core\Measuring\ReboundTest;
use ZigLane\Core\Measuring\RollTest;
use ZigLane\Core\Measuring\StunTest;
use ZigLane\Core\Physics\BallStates;
use ZigLane\Core\Physics\EventType;
use ZigLane\Core\Physics\Layout;
use ZigLane\Core\Physics\Motion;
use ZigLane\Core\Physics\Shot;
use ZigLane\Core\Physics\Simulator;
use ZigLane\Core\Physics\Tip;
use ZigLane\Core\Settings\Defaults;

/**
 * The tests' short formulas against the whole simulator doing the same thing.
 */
final class ForwardTest extends TestCase
{
    private const OTHER = ['roll' => 0.0085, 'slide' => 0.17, 'restitution' => 0.87, 'friction' => 0.19, 'endMass' => 24.0];

    public function testARollAsPlayed(): void
    {
        $simulator = $this->simulator();
        $radius = $simulator->ball->radius;
        $state = new BallStates();
        $state->add(0.3, 0.6, Motion::rolling(0.5, 0.0, $radius));
        $simulator->run($state);
        $test = new RollTest('', $state->x[0] - 0.3, $state->time);
        self::assertEqualsWithDelta(1.0, $test->readings()[0] / $test->predicted($this->guess(), 0.0)[0], 1e-9);
    }

    public function testAStunnedBallAsPlayed(): void
    {
        // Two balls in line, the cue ball stunned by b = 0 at touching distance: the ball leaves without turning.
        $simulator = new Simulator($this->guess()->table, $this->guess()->cue, BallSpec::frictionless());
        $layout = new Layout([0 => new Point(0.3, 0.6), 1 => new Point(0.3 + 2 * $simulator->ball->radius + 1e-6, 0.6)]);
        $result = $simulator->play($layout, new Shot(0.0, 0.6));
        $rolls = $result->eventsOf(1, EventType::SlideToRoll)[0]->at->x - $layout->ball(1)->x;
        $stops = $result->final->ball(1)->x - $layout->ball(1)->x;
        $speed = $result->paths[1][0]->vx;
        [$slide, $total] = (new StunTest('', $rolls, $stops))->predicted($this->guess(), $speed);
        self::assertEqualsWithDelta($rolls, $slide, 1e-7);
        self::assertEqualsWithDelta($stops, $total, 1e-7);
    }

    public function testARebound(): void
    {
        $simulator = $this->simulator();
        $g = $simulator->geometry;
        foreach ([[0.4, 0.35], [0.5, 0.5], [0.35, 0.55]] as [$off, $in]) {
            $state = new BallStates();
            // Rolling so that it still has 1.3 m/s at the rail.
            $way = hypot($off, $in);
            $speed = sqrt(1.3 ** 2 + 2 * self::OTHER['roll'] * Defaults::GRAVITY * $way);
            [$vx, $vy] = [$speed * $in / $way, -$speed * $off / $way];
            $state->add(0.2, $g->reach + $off, Motion::rolling($vx, $vy, $simulator->ball->radius));
            $simulator->run($state, record: true);
            $back = null;
            foreach ($state->paths[0] as $piece) {
                if ($piece->vy > 0 && $piece->start->y < $g->reach + $off && $piece->end()->y >= $g->reach + $off) {
                    $t = self::root($piece->start->y - $g->reach - $off, $piece->vy, $piece->ay / 2);
                    $back = $piece->at($piece->from + $t)->x - 0.2 - $in;
                    break;
                }
            }
            self::assertNotNull($back);
            // The short formula rolls without losing speed, which bends nothing.
            self::assertEqualsWithDelta($back, (new ReboundTest('', $off, $in, 1.0))->predicted($this->guess(), 1.3)[0], 0.001);
        }
    }

    public function testADeflectionAsPlayed(): void
    {
        $simulator = $this->simulator();
        $layout = new Layout([0 => new Point(0.4, 0.6), 1 => new Point(2.0, 0.6)]);
        $result = $simulator->play($layout, new Shot(0.0, 3.0, new Tip(0.4, 0.0)));
        $met = $result->eventsOf(0, EventType::BallBall)[0]->at;
        $test = new DeflectionTest('', $met->x - 0.4, 0.4, abs($met->y - 0.6));
        self::assertEqualsWithDelta(1.0, $test->readings()[0] / $test->predicted($this->guess(), 0.0)[0], 1e-6);
        self::assertLessThan(0.6, $met->y, 'away from the side struck');
    }

    private function simulator(): Simulator
    {
        return new Simulator($this->guess()->table, $this->guess()->cue);
    }

    private function guess(): Guess
    {
        return new Guess(self::OTHER);
    }

    private static function root(float $c, float $b, float $a): float
    {
        return abs($a) < 1e-12 ? -$c / $b : 2 * $c / (-$b - sqrt($b * $b - 4 * $a * $c));
    }
}
