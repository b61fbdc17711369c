<?php

declare(strict_types=1);

namespace ZigLane\Tests\Core\Physics;

use Eris\Generators;
use Eris\TestTrait;
use PHPUnit\Framework\TestCase;
use ZigLane\Core\Equipment\BallId;
use ZigLane\Core\Games\GameName;
use ZigLane\Core\Geometry\Point;
use ZigLane\Core\Numerics\Generator;
use ZigLane\Core\Physics\BallStates;
use ZigLane\Core\Physics\Layout;
use ZigLane\Core\Physics\Motion;
use ZigLane\Core\Physics\Shot;
use ZigLane\Core\Physics\Simulator;
use ZigLane\Core\Physics\Tip;

/**
 * Laws that hold for whatever Eris draws. Each case is a seed, from which rack and stroke follow, so a failure names the
 * seed that shows it.
 */
final class PropertiesTest extends TestCase
{
    use TestTrait;

    private static ?Simulator $simulator = null;

    private static function simulator(): Simulator
    {
        return self::$simulator ??= new Simulator();
    }

    /**
     * @return array{Layout, Shot}
     */
    private static function draw(int $seed, int $balls, float $fastest): array
    {
        $random = new Generator($seed);

        return [Layouts::random(self::simulator(), $random, $balls), Layouts::stroke($random, $fastest)];
    }

    /** Mirrored in the long axis, mirrored in the short one, and turned by half: the same shot. 2,000 cases. */
    public function testMirrorAndHalfTurn(): void
    {
        $compared = 0;
        $this->limitTo(2000)->forAll(Generators::choose(1, 1 << 40))->then(function (int $seed) use (&$compared): void {
            [$layout, $shot] = self::draw($seed, 2, 1.2);
            $s = self::simulator();
            $plain = $s->play($layout, $shot);
            if (\count($plain->events) > 14) {
                return; // a long chain of contacts magnifies rounding; the short ones prove the law
            }
            ++$compared;
            [$long, $wide] = [$s->geometry->length, $s->geometry->width];
            $images = [
                [static fn(Point $p): Point => new Point($p->x, $wide - $p->y), -$shot->aim, -1.0],
                [static fn(Point $p): Point => new Point($long - $p->x, $p->y), M_PI - $shot->aim, -1.0],
                [static fn(Point $p): Point => new Point($long - $p->x, $wide - $p->y), M_PI + $shot->aim, 1.0],
            ];
            foreach ($images as [$map, $aim, $side]) {
                $image = $s->play(new Layout(array_map($map, $layout->balls)), new Shot($aim, $shot->speed, new Tip($side * $shot->tip->side, $shot->tip->height)));
                self::assertSame(array_keys($plain->pocketed), array_keys($image->pocketed));
                foreach ($plain->final->balls as $id => $place) {
                    self::assertLessThan(2e-6, $map($place)->distanceTo($image->final->ball($id)));
                }
            }
        });
        self::assertGreaterThan(1000, $compared);
    }

    /** 500 hard breaks in each game's rack, tiny gaps and all: everything stays on the table and apart, and ends. */
    public function testBreaks(): void
    {
        foreach (GameName::cases() as $game) {
            $this->limitTo(500)->forAll(Generators::choose(1, 1 << 40))->then(function (int $seed) use ($game): void {
                $random = new Generator($seed);
                $g = self::simulator()->geometry;
                $places = [BallId::CUE => new Point($random->between(0.2, 0.6), $random->between(0.3, 0.97))];
                $ball = 0;
                $pitch = 2 * Layouts::R + $random->between(0.0, 1e-4);
                $rows = match ($game) {
                    GameName::NineBall => [1, 2, 3, 2, 1],
                    GameName::TenBall => [1, 2, 3, 4],
                    default => [1, 2, 3, 4, 5],
                };
                foreach ($rows as $row => $count) {
                    for ($k = 0; $k < $count; ++$k) {
                        $places[++$ball] = new Point(1.905 + $row * $pitch * sqrt(0.75), 0.635 + ($k - ($count - 1) / 2) * $pitch);
                    }
                }
                $layout = new Layout($places);
                $shot = new Shot($places[0]->angleTo($places[1]) + $random->between(-0.01, 0.01), $random->between(6, 12), new Tip(0.0, $random->between(-0.2, 0.2)));
                $result = self::simulator()->play($layout, $shot);
                foreach ($result->final->balls as $id => $p) {
                    self::assertTrue($g->canRest($p), "ball $id rests in a rail");
                    foreach ($result->final->balls as $other => $q) {
                        if ($other > $id) {
                            self::assertGreaterThan(2 * Layouts::R - 1e-7, $p->distanceTo($q));
                        }
                    }
                }
                self::assertCount(\count($layout->balls), $result->final->balls + $result->pocketed);
                self::assertLessThan(60.0, $result->duration);
            });
        }
    }

    /** Mechanics: whatever the speeds and spins, a contact of two balls keeps their momentum and makes no energy. 2,000 cases. */
    public function testMomentumIsKeptInAContact(): void
    {
        $this->limitTo(2000)->forAll(Generators::choose(1, 1 << 40))->then(function (int $seed): void {
            $random = new Generator($seed);
            $spin = static fn(): float => $random->between(-90, 90);
            $away = 2 * Layouts::R + 1e-12;
            $turn = $random->between(0, 2 * M_PI);
            $state = new BallStates();
            $state->add(1.0, 0.6, new Motion($random->between(0.2, 3) * cos($turn), $random->between(0.2, 3) * sin($turn), $spin(), $spin(), $spin()));
            $way = $turn + $random->between(-1.2, 1.2);
            $state->add(1.0 + $away * cos($way), 0.6 + $away * sin($way));
            $before = [$state->vx[0], $state->vy[0], self::energy($state)];
            if ($state->vx[0] * cos($way) + $state->vy[0] * sin($way) < 0.01) {
                return; // they do not meet
            }
            self::simulator()->run($state, stopAtHit: true);
            self::assertSame(1, $state->firstHit);
            self::assertEqualsWithDelta($before[0], $state->vx[0] + $state->vx[1], 1e-9);
            self::assertEqualsWithDelta($before[1], $state->vy[0] + $state->vy[1], 1e-9);
            self::assertLessThanOrEqual($before[2], self::energy($state));
        });
    }

    /** J/kg, both balls. */
    private static function energy(BallStates $s): float
    {
        $sum = 0.0;
        foreach ([0, 1] as $i) {
            $sum += ($s->vx[$i] ** 2 + $s->vy[$i] ** 2) / 2 + Layouts::R ** 2 / 5 * ($s->wx[$i] ** 2 + $s->wy[$i] ** 2 + $s->wz[$i] ** 2);
        }

        return $sum;
    }

    /** A ball lying anywhere in the jaws of any pocket, struck by another that comes from anywhere. 1,500 cases. */
    public function testBallsInTheJaws(): void
    {
        $dropped = 0;
        $this->limitTo(1500)->forAll(Generators::choose(1, 1 << 40))->then(function (int $seed) use (&$dropped): void {
            $random = new Generator($seed);
            $s = self::simulator();
            $shape = $s->geometry->pockets[$random->integer(0, 5)];
            do {
                $hung = $shape->mouthMiddle()->toward($random->between(0, 2 * M_PI), $random->between(0.0, 0.05));
            } while (!$s->geometry->canRest($hung));
            do {
                $cue = new Point($random->between(0.1, 2.4), $random->between(0.1, 1.1));
            } while ($cue->distanceTo($hung) < 0.1);
            $aim = $cue->angleTo($hung) + $random->between(-0.03, 0.03);
            $result = $s->play(new Layout([BallId::CUE => $cue, 1 => $hung]), new Shot($aim, $random->between(0.5, 5.0), new Tip($random->between(-0.3, 0.3), $random->between(-0.3, 0.3))));
            $dropped += isset($result->pocketed[1]) ? 1 : 0;
            foreach ($result->final->balls as $id => $p) {
                self::assertTrue($s->geometry->canRest($p), "ball $id rests in the rubber");
            }
            foreach ($result->events as $event) {
                $outside = max(-$event->at->x, -$event->at->y, $event->at->x - $s->geometry->length, $event->at->y - $s->geometry->width);
                self::assertLessThan(0.08, $outside, 'nothing goes past the edge of a slate');
            }
            self::assertCount(2, $result->final->balls + $result->pocketed);
        });
        self::assertGreaterThan(700, $dropped, 'a ball in the jaws mostly drops when hit');
    }

    public function testTheSameSeedGivesTheSameBytes(): void
    {
        $this->limitTo(1000)->forAll(Generators::choose(1, 1 << 40))->then(function (int $seed): void {
            [$layout, $shot] = self::draw($seed, 5, 3.0);
            self::assertSame(
                md5(serialize(self::simulator()->play($layout, $shot))),
                md5(serialize((new Simulator())->play(...self::draw($seed, 5, 3.0)))),
            );
        });
    }
}
