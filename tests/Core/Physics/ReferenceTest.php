<?php

declare(strict_types=1);

namespace ZigLane\Tests\Core\Physics;

use PHPUnit\Framework\TestCase;
use Symfony\Component\Process\Process;
use ZigLane\Core\Equipment\Cushion;
use ZigLane\Core\Numerics\Generator;
use ZigLane\Core\Physics\BallStates;
use ZigLane\Core\Physics\Internal\Contact;
use ZigLane\Core\Physics\Internal\CushionImpact;
use ZigLane\Core\Physics\Motion;
use ZigLane\Core\Physics\Simulator;
use ZigLane\Core\Settings\Defaults;

/**
 * General-purpose numerical libraries, run by node, as references from outside: odex (E. Hairer's ODEX) and
 * durand-kerner. See tests/Reference.
 */
final class ReferenceTest extends TestCase
{
    /**
     * @return list<mixed>
     */
    private static function node(string $script, mixed $input): array
    {
        $process = new Process(['node', \dirname(__DIR__, 2) . "/Reference/$script"], null, null, json_encode($input, \JSON_THROW_ON_ERROR), 120);
        $process->mustRun();
        $answer = json_decode($process->getOutput(), true, 64, \JSON_THROW_ON_ERROR);
        self::assertIsArray($answer);

        return array_values($answer);
    }

    /**
     * @return list<float>
     */
    private static function numbers(mixed $row): array
    {
        self::assertIsArray($row);

        return array_map(static fn(mixed $v): float => is_numeric($v) ? (float) $v : self::fail('not a number'), array_values($row));
    }

    /** Contact times of 2,000 random pairs against the roots of the quartic, to 1e-6 relative. */
    public function testContactTimesAreRootsOfTheQuartic(): void
    {
        $random = new Generator(4);
        $cases = [];
        while (\count($cases) < 2000) {
            $p = [$random->between(-1, 1), $random->between(-1, 1)];
            if (hypot($p[0], $p[1]) < 0.06) {
                continue;
            }
            $cases[] = [$p[0], $p[1], -2 * $p[0] + $random->between(-0.3, 0.3), -2 * $p[1] + $random->between(-0.3, 0.3), $random->between(-2, 2), $random->between(-2, 2), 0.05715];
        }
        $met = $grazing = 0;
        foreach (self::node('contact.cjs', $cases) as $i => $root) {
            [$px, $py, $vx, $vy, $ax, $ay, $d] = $cases[$i];
            $time = Contact::ofDiscs($px, $py, $vx, $vy, $ax, $ay, $d, INF);
            // Where the two roots of a graze nearly coincide neither method can place them well.
            $at = is_numeric($root) ? (float) $root : $time;
            if (INF === $at) {
                self::assertNull($root);
                continue;
            }
            [$x, $y] = [$px + ($vx + $ax * $at / 2) * $at, $py + ($vy + $ay * $at / 2) * $at];
            $closing = -(($vx + $ax * $at) * $x + ($vy + $ay * $at) * $y) / hypot($x, $y);
            if ($closing < 0.01) {
                ++$grazing;
                continue;
            }
            ++$met;
            self::assertNotNull($root, var_export([$i, $time, $closing, $cases[$i]], true));
            self::assertEqualsWithDelta(1.0, $time / $at, 1e-6);
        }
        self::assertGreaterThan(400, $met);
        self::assertLessThan(40, $grazing);
    }

    /** Sliding for nine tenths of its time: place, velocity and spin of 200 random starts, to 1e-6. */
    public function testSliding(): void
    {
        $random = new Generator(5);
        $simulator = new Simulator();
        $radius = $simulator->ball->radius;
        $slide = Defaults::CLOTH_SLIDE * Defaults::GRAVITY;
        $cases = [];
        for ($i = 0; $i < 200; ++$i) {
            $state = [1.2, 0.6, $random->between(-1, 1), $random->between(-1, 1), $random->between(-30, 30), $random->between(-30, 30)];
            $slip = hypot($state[2] - $radius * $state[5], $state[3] + $radius * $state[4]);
            $cases[] = ['y' => $state, 'mu' => Defaults::CLOTH_SLIDE, 'g' => Defaults::GRAVITY, 'R' => $radius, 'time' => 0.9 * 2 * $slip / (7 * $slide)];
        }
        foreach (self::node('motion.cjs', ['kind' => 'slide', 'cases' => $cases]) as $i => $row) {
            $want = self::numbers($row);
            $y = $cases[$i]['y'];
            $balls = new BallStates();
            $balls->add($y[0], $y[1], new Motion($y[2], $y[3], $y[4], $y[5]));
            $simulator->run($balls, record: true);
            $piece = $balls->paths[0][0];
            $t = $cases[$i]['time'] - $piece->from;
            $place = $piece->at($cases[$i]['time']);
            $got = [
                $place->x, $place->y,
                $piece->vx + $piece->ax * $t, $piece->vy + $piece->ay * $t,
                $y[4] + 2.5 / $radius * $piece->ay * $t, $y[5] - 2.5 / $radius * $piece->ax * $t,
            ];
            if ($t > $piece->to) {
                continue; // it met a rail first
            }
            foreach ($want as $k => $value) {
                self::assertEqualsWithDelta($value, $got[$k], 1e-6 * max(1.0, abs($value)));
            }
        }
    }

    /**
     * The cushion's equations, integrated by ODEX to 1e-12 and by the core in fine steps, to 1e-6; impacts whose slips
     * stay away from zero, where the equations are smooth.
     */
    public function testCushionImpacts(): void
    {
        $random = new Generator(6);
        $c = new Cushion();
        $cases = [];
        while (\count($cases) < 60) {
            $angle = $random->between(0.2, 1.3);
            $y = [sin($angle), cos($angle), $random->between(-0.9, 0.3), $random->between(-1.2, -0.3), $random->between(-1, -0.2)];
            // The nose slips forward all the while, and so does the ball on the cloth.
            if ($y[0] - $y[3] > 0.8 && $y[0] + $y[3] * $c->contactSine() - $y[4] * $c->contactCosine() > 0.9 * 2 * $y[1]) {
                $cases[] = ['y' => $y, 'mu' => $c->friction, 'muc' => $c->clothFriction, 'e' => $c->restitution, 's' => $c->contactSine(), 'c' => $c->contactCosine()];
            }
        }
        foreach (self::node('motion.cjs', ['kind' => 'cushion', 'cases' => $cases]) as $i => $row) {
            $y = $cases[$i]['y'];
            $got = CushionImpact::rebound($y[0], $y[1], $y[2], $y[3], $y[4], $c->restitution, $c->friction, $c->clothFriction, $c->contactSine(), $c->contactCosine(), 4000);
            foreach (self::numbers($row) as $k => $value) {
                self::assertEqualsWithDelta($value, $got[$k], 1e-6, "impact $i, component $k");
            }
        }
    }
}
