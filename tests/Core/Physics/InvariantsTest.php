<?php

declare(strict_types=1);

namespace ZigLane\Tests\Core\Physics;

use PHPUnit\Framework\TestCase;
use ZigLane\Core\Equipment\BallId;
use ZigLane\Core\Equipment\Table;
use ZigLane\Core\Equipment\TableSize;
use ZigLane\Core\Geometry\Angle;
use ZigLane\Core\Geometry\Point;
use ZigLane\Core\Numerics\Generator;
use ZigLane\Core\Physics\Event;
use ZigLane\Core\Physics\EventType;
use ZigLane\Core\Physics\Internal\Kernel;
use ZigLane\Core\Physics\Layout;
use ZigLane\Core\Physics\Shot;
use ZigLane\Core\Physics\ShotResult;
use ZigLane\Core\Physics\Simulator;
use ZigLane\Core\Physics\Tip;
use ZigLane\Core\Settings\Defaults;

/**
 * What must hold for every shot whatever happens in it.
 */
final class InvariantsTest extends TestCase
{
    private const BALLS = 9;

    /** 2,000 random nine-ball shots: no overlap, nothing outside, energy never rises, every one ends. */
    public function testTwoThousandRandomNineBallShots(): void
    {
        $random = new Generator(2000);
        $sizes = TableSize::cases();
        $simulators = array_map(static fn(TableSize $s): Simulator => new Simulator(new Table($s)), $sizes);
        $most = 0;
        for ($n = 0; $n < 2000; ++$n) {
            $simulator = $simulators[$n % 3];
            $layout = Layouts::random($simulator, $random, self::BALLS);
            $shot = Layouts::stroke($random, $n % 10 ? 3.5 : 12.0);
            $this->watchEnergy($simulator, $layout, $shot, "shot $n");
            $result = $simulator->play($layout, $shot);
            $most = max($most, \count($result->events));
            self::inspect($simulator, $layout, $result, "shot $n");
        }
        self::assertLessThan(2000, $most, 'no shot has an absurd number of events');
    }

    /** The hardest break of a frozen rack, balls and all. */
    public function testTheBreakOfAFrozenRack(): void
    {
        $simulator = new Simulator();
        $d = 2 * Layouts::R;
        $balls = [];
        $id = 0;
        for ($row = 0; $row < 5; ++$row) {
            for ($k = 0; $k <= $row; ++$k) {
                $balls[++$id] = new Point(1.905 + $row * $d * sqrt(3) / 2, 0.635 + ($k - $row / 2) * $d);
            }
        }
        foreach ([0.0, 0.01, -0.02, 0.2] as $off) {
            $layout = new Layout([BallId::CUE => new Point(0.5, 0.635 + $off)] + $balls);
            $shot = new Shot(atan2(-$off, 1.4), 12.0);
            $this->watchEnergy($simulator, $layout, $shot, "break $off");
            $result = $simulator->play($layout, $shot);
            self::inspect($simulator, $layout, $result, "break $off");
            self::assertNotEquals($balls[15], $result->final->balls[15] ?? null, "the blow reaches the last row");
        }
    }

    /** Frozen to a rail, frozen together, on a pocket's brink: all may be struck from any side. */
    public function testFrozenAndHangingBalls(): void
    {
        $simulator = new Simulator();
        $g = $simulator->geometry;
        $brink = $g->pockets[4]->dropEdge();
        for ($i = 0; $i < 60; ++$i) {
            $layout = new Layout([
                BallId::CUE => new Point(1.2, $g->reach),
                1 => new Point(1.2 + 2 * Layouts::R, $g->reach),
                2 => new Point(1.9, $g->width - $g->reach),
                3 => new Point(1.9 - 2 * Layouts::R, $g->width - $g->reach),
                4 => $brink->toward(atan2($g->width / 2 - $brink->y, -1), 0.002),
                5 => new Point($g->reach, 0.6),
            ]);
            $shot = new Shot(2 * M_PI * $i / 60, 1.0 + $i / 10, new Tip(0.3 * sin($i), 0.3 * cos($i)));
            $this->watchEnergy($simulator, $layout, $shot, "frozen $i");
            self::inspect($simulator, $layout, $simulator->play($layout, $shot), "frozen $i");
        }
    }

    /** 600 random strokes with the cue raised up to 85°, many of which leave the cloth, and some the table. */
    public function testRaisedCues(): void
    {
        $random = new Generator(85);
        $simulator = new Simulator();
        $left = $landed = 0;
        for ($n = 0; $n < 600; ++$n) {
            $layout = Layouts::random($simulator, $random, self::BALLS);
            $level = Layouts::stroke($random, 8.0);
            $shot = new Shot($level->aim, $level->speed, $level->tip, deg2rad($random->between(1.0, 85.0)));
            $this->watchEnergy($simulator, $layout, $shot, "raised $n");
            $result = $simulator->play($layout, $shot);
            self::inspect($simulator, $layout, $result, "raised $n");
            $left += \count($result->offTable);
            $landed += \count(array_filter($result->events, static fn(Event $e): bool => EventType::Landing === $e->type));
        }
        self::assertGreaterThan(20, $left);
        self::assertGreaterThan(600, $landed);
    }

    /** A rack mirrored in the long axis gives the mirrored shot, side for side. */
    public function testAMirroredRackGivesTheMirroredShot(): void
    {
        $random = new Generator(3);
        $simulator = new Simulator();
        $width = $simulator->geometry->width;
        for ($n = 0; $n < 40; ++$n) {
            $layout = Layouts::random($simulator, $random, 3);
            $shot = Layouts::stroke($random, 1.2);
            $mirrored = new Layout(array_map(static fn(Point $p): Point => new Point($p->x, $width - $p->y), $layout->balls));
            $other = new Shot(-$shot->aim, $shot->speed, new Tip(-$shot->tip->side, $shot->tip->height));
            $a = $simulator->play($layout, $shot);
            $b = $simulator->play($mirrored, $other);
            if (\count($a->events) > 25) {
                continue; // long chains of contacts blow up rounding; the short ones prove the law
            }
            self::assertSame(array_keys($a->pocketed), array_keys($b->pocketed));
            foreach ($a->final->balls as $id => $place) {
                self::assertEqualsWithDelta($place->x, $b->final->ball($id)->x, 1e-6);
                self::assertEqualsWithDelta($width - $place->y, $b->final->ball($id)->y, 1e-6);
            }
        }
    }

    public function testTheSameShotGivesTheSameBytes(): void
    {
        $random = new Generator(4);
        $layout = Layouts::random(new Simulator(), $random, self::BALLS);
        $shot = Layouts::stroke($random, 3.0);
        self::assertSame(serialize((new Simulator())->play($layout, $shot)), serialize((new Simulator())->play($layout, $shot)));
    }

    private function watchEnergy(Simulator $simulator, Layout $layout, Shot $shot, string $what): void
    {
        $state = $simulator->struck($layout, $shot->stroke());
        $last = INF;
        $worst = 0.0;
        // Per ball mass: v²/2 + (R ω)²/5 + g z. Balls are counted as of their own latest event, which can only be too much.
        $watch = static function (float $now, array $vx, array $vy, array $wx, array $wy, array $wz, array $z, array $vz) use (&$last, &$worst): void {
            $energy = 0.5 * self::squares($vx, $vy, $vz) + 0.2 * Layouts::R ** 2 * self::squares($wx, $wy, $wz)
                + Defaults::GRAVITY * array_sum($z);
            $worst = max($worst, $energy - $last);
            $last = $energy;
        };
        (new Kernel($simulator->geometry, $simulator->ball))->run($state, watch: $watch);
        // BallBall::LEAST_PARTING may add its own 2e-8 J/kg when a ball presses on another.
        self::assertLessThan(5e-8, $worst, "$what: energy rises");
        self::assertLessThan(Kernel::MAX_EVENTS, $state->eventCount);
        self::assertLessThan(1e-9, array_sum(array_map(abs(...), [...$state->vx, ...$state->vy])), "$what: it ends at rest");
    }

    /**
     * @param array<mixed> ...$components
     */
    private static function squares(array ...$components): float
    {
        $sum = 0.0;
        foreach (array_merge(...array_map(array_values(...), array_values($components))) as $v) {
            $sum += \is_float($v) ? $v * $v : self::fail('not a number');
        }

        return $sum;
    }

    /** Looks at every moment when anything happens, and half-way between. */
    private static function inspect(Simulator $simulator, Layout $layout, ShotResult $result, string $what): void
    {
        $times = array_values(array_unique(array_map(static fn($e): float => $e->time, $result->events)));
        $all = $times;
        for ($i = 1; $i < \count($times); ++$i) {
            $all[] = ($times[$i - 1] + $times[$i]) / 2;
        }
        $fell = [];
        foreach ($result->events as $event) {
            $down = null !== $event->pocket && isset($result->pocketed[$event->balls[0]]);
            if ($down || EventType::LeftTable === $event->type) {
                $fell[$event->balls[0]] = $event->time;
            }
        }
        $nearest = INF;
        foreach ($all as $t) {
            $places = $heights = [];
            foreach ($layout->balls as $id => $start) {
                if ($t >= ($fell[$id] ?? INF)) {
                    continue;
                }
                $p = $start;
                $height = 0.0;
                foreach ($result->paths[$id] ?? [] as $piece) {
                    if ($piece->from > $t) {
                        break;
                    }
                    $p = $piece->at(min($t, $piece->to));
                    $height = $piece->heightAt(min($t, $piece->to));
                }
                $places[] = $p;
                $heights[] = $height;
            }
            foreach ($places as $i => $a) {
                self::assertTrue($heights[$i] > 0.0 || self::inside($simulator, $a), \sprintf('%s: outside at %.6f s: %.4f, %.4f', $what, $t, $a->x, $a->y));
                for ($j = $i + 1; $j < \count($places); ++$j) {
                    $b = $places[$j];
                    $nearest = min($nearest, ($a->x - $b->x) ** 2 + ($a->y - $b->y) ** 2 + ($heights[$i] - $heights[$j]) ** 2);
                }
            }
        }
        self::assertGreaterThan(2 * Layouts::R - 1e-7, sqrt($nearest), "$what: overlap");
        foreach ($result->final->balls as $id => $p) {
            self::assertTrue($simulator->geometry->canRest($p), "$what: $id came to rest in a rail");
        }
    }

    private static function inside(Simulator $simulator, Point $p): bool
    {
        $g = $simulator->geometry;
        $r = $g->reach - 1e-7;
        if ($p->x >= $r && $p->y >= $r && $p->x <= $g->length - $r && $p->y <= $g->width - $r) {
            return true;
        }
        foreach ($g->pockets as $pocket) {
            // On its way over the edge of the slate.
            if ($p->distanceTo($pocket->dropCentre) <= $pocket->dropRadius + 1e-7) {
                return true;
            }
        }

        return $g->canRest($p);
    }

    public function testAnglesWrap(): void
    {
        self::assertEqualsWithDelta(-0.1, Angle::wrap(4 * M_PI - 0.1), 1e-12);
        self::assertEqualsWithDelta(3.0, Angle::wrap(3.0), 1e-12);
    }
}
