<?php

declare(strict_types=1);

namespace ZigLane\Core\Measuring;

use ZigLane\Core\Equipment\CueSpec;
use ZigLane\Core\Equipment\Table;
use ZigLane\Core\InvalidInput;
use ZigLane\Core\Measuring\Problem\Contradiction;
use ZigLane\Core\Measuring\Problem\ImpossibleReading;
use ZigLane\Core\Measuring\Problem\OutOfRange;
use ZigLane\Core\Numerics\LeastSquares;
use ZigLane\Core\Numerics\LeastSquaresFit;

/**
 * Finds the table and the cue from tests: all readings together, by least squares, each weighed by its error.
 *
 * The unknowns are the logarithms of the parameters and of each stroke's speed. To the readings comes what is believed
 * beforehand (house value and Parameter::spread), so a number that no test tells about keeps the house's value with its
 * full spread, and is reported as not measured. Uncertainty is the posterior's standard deviation; when the readings
 * scatter more than a tape and a phone should, it is widened by as much.
 */
final class TableFit
{
    /** A reading this many standard deviations off the rest contradicts it. */
    private const CONTRADICTION = 3.0;

    /** A number is measured when its uncertainty fell below this share of what it was. */
    private const LEARNT = 0.7;

    private function __construct() {}

    /**
     * @param list<Measurement> $tests
     * @param Table             $on    what is not measured
     */
    public static function of(array $tests, Table $on = new Table(), CueSpec $with = new CueSpec()): FitResult
    {
        $problems = [];
        $usable = [];
        foreach ($tests as $test) {
            try {
                $test->assertPossible();
                $usable[] = $test;
            } catch (InvalidInput $e) {
                $problems[] = new ImpossibleReading($e->getMessage());
            }
        }
        $parameters = Parameter::cases();
        // Slots of p: the parameters, then a speed for each test; a test without one keeps its slot at nothing.
        $fit = self::best((new Residuals($usable, $on, $with))->of(...), \count($parameters) + \count($usable));

        $widen = self::widen($fit, $usable);
        $estimates = [];
        foreach ($parameters as $i => $parameter) {
            $sigma = sqrt(max($fit->covariance[$i][$i], 0.0));
            $measured = $sigma < self::LEARNT * $parameter->spread();
            $value = $measured ? $parameter->house() * exp($fit->parameters[$i]) : $parameter->house();
            $estimates[$parameter->value] = new Estimate(
                $parameter,
                $value,
                $value * ($measured ? $sigma * $widen : $parameter->spread()),
                $measured,
            );
            [$low, $high] = $parameter->range();
            if ($measured && ($value < $low || $value > $high)) {
                $problems[] = new OutOfRange($parameter, $value, $low, $high, self::tellers($usable, $parameter));
            }
        }

        return new FitResult($estimates, [...$problems, ...self::contradictions($fit->residuals, $usable)], $on, $with);
    }

    /**
     * A rebound can come from a slippery rubber or from one that grips: begin on either side and keep what fits best.
     *
     * @param callable(list<float>): list<float> $residuals
     */
    private static function best(callable $residuals, int $unknowns): LeastSquaresFit
    {
        $best = null;
        $least = INF;
        foreach ([-0.4, 0.3] as $friction) {
            $start = array_fill(0, $unknowns, 0.0);
            $start[(int) array_search(Parameter::Friction, Parameter::cases(), true)] = $friction;
            $try = LeastSquares::fit($residuals, array_values($start));
            $cost = array_sum(array_map(static fn(float $v): float => $v * $v, $try->residuals));
            if (null === $best || $cost < $least - 1e-6) {
                [$best, $least] = [$try, $cost];
            }
        }

        return $best;
    }

    /**
     * @param list<Measurement> $tests
     */
    private static function widen(LeastSquaresFit $fit, array $tests): float
    {
        $readings = array_sum(array_map(static fn(Measurement $m): int => \count($m->readings()), $tests));
        $speeds = \count(array_filter($tests, static fn(Measurement $m): bool => null !== $m->speed()));
        $learnt = 0;
        foreach (Parameter::cases() as $i => $parameter) {
            $learnt += sqrt(max($fit->covariance[$i][$i], 0.0)) < self::LEARNT * $parameter->spread() ? 1 : 0;
        }
        $free = $readings - $speeds - $learnt;
        $square = array_sum(array_map(static fn(float $v): float => $v * $v, \array_slice($fit->residuals, 0, $readings)));

        return $free > 0 ? max(1.0, sqrt($square / $free)) : 1.0;
    }

    /**
     * @param list<float>       $r
     * @param list<Measurement> $tests
     *
     * @return list<Contradiction>
     */
    private static function contradictions(array $r, array $tests): array
    {
        $worst = 0.0;
        $who = null;
        $at = 0;
        foreach ($tests as $test) {
            foreach ($test->readings() as $_) {
                if (abs($r[$at]) > $worst) {
                    $worst = abs($r[$at]);
                    $who = $test;
                }
                ++$at;
            }
        }
        if (null === $who || $worst < self::CONTRADICTION) {
            return [];
        }
        $others = array_filter($tests, static fn(Measurement $m): bool => $m !== $who && $m::class === $who::class);


        return [new Contradiction($who->name(), $worst, 1 === \count($others) ? array_values($others)[0]->name() : null)];
    }

    /**
     * @param list<Measurement> $tests
     *
     * @return list<string>
     */
    private static function tellers(array $tests, Parameter $parameter): array
    {
        return array_map(
            static fn(Measurement $m): string => $m->name(),
            array_values(array_filter($tests, static fn(Measurement $m): bool => \in_array($parameter, $m->about(), true))),
        );
    }
}
