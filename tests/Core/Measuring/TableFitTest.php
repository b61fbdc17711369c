<?php

declare(strict_types=1);

namespace ZigLane\Tests\Core\Measuring;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use ZigLane\Core\Equipment\TableSize;
use ZigLane\Core\Measuring\DeflectionTest;
use ZigLane\Core\Measuring\Guess;
use ZigLane\Core\Measuring\LengthsTest;
use ZigLane\Core\Measuring\Measurement;
use ZigLane\Core\Measuring\Parameter;
use ZigLane\Core\Measuring\ReboundTest;
use ZigLane\Core\Measuring\RollTest;
use ZigLane\Core\Measuring\StunTest;
use ZigLane\Core\Measuring\TableFit;
use ZigLane\Core\Numerics\Generator;
use ZigLane\Core\Physics\CueStrike;
use ZigLane\Core\Settings\Defaults;
use ZigLane\Core\Wording\FitWording;
use ZigLane\Tests\Survey;

final class TableFitTest extends TestCase
{
    private const TABLES = 40;

    /**
     * Simulated tables, every reading off by a normal 3 %: the true value lies within the stated standard deviation about
     * 68 times in 100, within two of them about 95 times. (The normal distribution's shares; five parameters of 40 tables
     * make 200 cases, whose shares have a standard deviation of 3.3 and 1.5 points.)
     */
    public function testTrueParametersLieWithinTheStatedUncertainty(): void
    {
        $rng = new Generator(20261123);
        $near = $within = $cases = 0;
        for ($table = 0; $table < Survey::size(self::TABLES, 16); ++$table) {
            $true = [];
            foreach (Parameter::cases() as $p) {
                $true[$p->value] = min($p->house() * exp(0.6 * $p->spread() * $rng->normal()), Parameter::Restitution === $p ? 0.99 : INF);
            }
            $fit = TableFit::of(self::evening($true, $rng));
            self::assertSame([], $fit->problems);
            foreach (Parameter::cases() as $p) {
                $estimate = $fit->estimates[$p->value];
                self::assertTrue($estimate->measured, $p->value);
                $off = abs($estimate->value - $true[$p->value]) / $estimate->sigma;
                ++$cases;
                $near += $off <= 1.0 ? 1 : 0;
                $within += $off <= 2.0 ? 1 : 0;
                self::assertLessThan(4.5, $off, "$p->value of table $table");
            }
        }
        self::assertEqualsWithDelta(0.683, $near / $cases, 0.08);
        self::assertGreaterThan(0.92, $within / $cases);
    }

    public function testExactReadingsGiveTheTrueTableBack(): void
    {
        $true = ['roll' => 0.0082, 'slide' => 0.24, 'restitution' => 0.88, 'friction' => 0.21, 'endMass' => 22.0];
        $fit = TableFit::of(self::evening($true, new Generator(4), noise: 0.0));
        foreach ($true as $name => $value) {
            // What was believed beforehand pulls a little.
            self::assertEqualsWithDelta(1.0, $fit->estimates[$name]->value / $value, 0.02, $name);
        }
        self::assertSame($fit->estimates['roll']->value, $fit->table()->cloth->roll);
        self::assertSame($fit->estimates['endMass']->value, $fit->cue()->endMassRatio);
    }

    public function testWhatNoTestTellsAboutStaysTheHouses(): void
    {
        $fit = TableFit::of([new RollTest('the roll', 1.5, sqrt(2 * 1.5 / (0.007 * Defaults::GRAVITY)))]);
        self::assertTrue($fit->estimates['roll']->measured);
        self::assertEqualsWithDelta(0.007, $fit->estimates['roll']->value, 0.0001);
        foreach (['slide', 'restitution', 'friction', 'endMass'] as $name) {
            self::assertFalse($fit->estimates[$name]->measured, $name);
            self::assertSame(Parameter::from($name)->house(), $fit->estimates[$name]->value);
        }
        self::assertFalse($fit->measuredAny(ofCue: true));
    }

    /**
     * @return iterable<string, array{list<Measurement>, string}>
     */
    public static function bad(): iterable
    {
        $roll = static fn(string $n, float $mu): RollTest => new RollTest($n, 1.5, sqrt(2 * 1.5 / ($mu * Defaults::GRAVITY)));
        yield 'a roll too short' => [[new RollTest('the first roll', 3.0, 2.0)], 'The first roll: a ball that comes to rest after 3.00 m in 2.0 s would be slowed 15 times as much as on the house cloth'];
        yield 'a roll downhill' => [[new RollTest('the first roll', 1.0, 15.0)], 'almost without resistance'];
        yield 'slides to the end' => [[new StunTest('the stun', 1.0, 0.9)], 'a sliding ball always rolls before it stops'];
        yield 'hardly slides' => [[new StunTest('the stun', 0.001, 2.0)], 'Was it hit quite full'];
        yield 'comes out too long' => [[new ReboundTest('the rebound', 0.6, 0.6, 2.4)], 'Was there side on it'];
        yield 'too steep' => [[new ReboundTest('the rebound', 0.6, 0.05, 0.05)], 'too steep an angle'];
        yield 'gains energy' => [[new LengthsTest('the straight shot', TableSize::NineFoot, 2.0, 25.0)], 'cannot go 25.0 lengths, even if the cushions took nothing'];
        yield 'too soft' => [[new LengthsTest('the straight shot', TableSize::NineFoot, 3.0, 1.2)], 'too soft'];
        yield 'milliseconds' => [[new LengthsTest('the straight shot', TableSize::NineFoot, 0.02, 3.0)], 'is the time in seconds?'];
        yield 'no squirt' => [[new DeflectionTest('the deflection', 1.5, 0.45, 0.002)], 'swerves back and hides squirt'];
        yield 'far too much squirt' => [[new DeflectionTest('the deflection', 1.5, 0.2, 0.2)], 'parallel to the line'];
        yield 'one roll of three' => [[$roll('the first roll', 0.010), $roll('the second roll', 0.010), $roll('the third roll', 0.016)], 'The third roll does not fit the rest'];
        yield 'two rolls' => [[$roll('the first roll', 0.008), $roll('the second roll', 0.015)], 'contradict each other: do the test a third time'];
    }

    /**
     * @param list<Measurement> $tests
     */
    #[DataProvider('bad')]
    public function testBadMeasurementsAreExplained(array $tests, string $words): void
    {
        $fit = TableFit::of($tests);
        self::assertFalse($fit->sound());
        self::assertStringContainsString($words, implode("\n", array_map(FitWording::sentence(...), $fit->problems)));
    }

    /**
     * Ten minutes' work: three tries of each test on a table with these values, each reading off by 3 %.
     *
     * @param array<string, float> $true
     *
     * @return list<Measurement>
     */
    private static function evening(array $true, Generator $rng, float $noise = Defaults::READING_ERROR): array
    {
        $g = new Guess($true);
        $read = static fn(float $v): float => $v * exp($noise * $rng->normal());
        $tests = [];
        foreach (['first' => 33.0, 'second' => 45.0, 'third' => 58.0] as $nth => $angle) {
            $way = $rng->between(1.0, 2.0);
            $tests[] = new RollTest("the $nth roll", $read($way), $read(sqrt(2 * $way / ($true['roll'] * Defaults::GRAVITY))));
            [$slide, $total] = (new StunTest('', 1.0, 2.0))->predicted($g, $rng->between(0.7, 0.9));
            $tests[] = new StunTest("the $nth stun", $read($slide), $read($total));
            $off = 0.6;
            $in = $off * tan(deg2rad($angle));
            [$out] = (new ReboundTest('', $off, $in, 1.0))->predicted($g, 1.3 * exp(0.2 * $rng->normal()));
            $tests[] = new ReboundTest("the $nth rebound", $off, $read($in), $read($out));
            [$clicks, $lengths] = (new LengthsTest('', TableSize::NineFoot, 1.0, 3.0))->predicted($g, $rng->between(2.5, 4.0));
            $tests[] = new LengthsTest("the $nth straight shot", TableSize::NineFoot, $read($clicks), $read($lengths));
            $side = $rng->between(0.35, 0.48);
            $far = $rng->between(1.0, 1.8);
            $tests[] = new DeflectionTest("the $nth deflection", $read($far), $read($side), $read($far * tan(CueStrike::squirt($side, $g->cue))));
        }

        return $tests;
    }
}
