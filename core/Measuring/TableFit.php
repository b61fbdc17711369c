<?php

declare(strict_types=1);

namespace ZigLane\Core\Measuring;

use ZigLane\Core\Equipment\CueSpec;
use ZigLane\Core\Equipment\Table;
use ZigLane\Core\InvalidInput;
use ZigLane\Core\Numerics\LeastSquares;

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
                $problems[] = ucfirst($e->getMessage()) . (str_ends_with($e->problem, '?') || str_ends_with($e->problem, '.') ? '' : '.');
            }
        }
        $parameters = Parameter::cases();
        $speeds = array_map(static fn(Measurement $m): ?array => $m->speed(), $usable);
        $seen = [];
        // Slots of p: the parameters, then a speed for each test; a test without one keeps its slot at nothing.
        [$best, $covariance, $r] = self::best(
            static function (array $p) use ($usable, $speeds, $on, $with, &$seen): array {
                return self::residuals($p, $usable, $speeds, $on, $with, $seen);
            },
            \count($parameters) + \count($usable),
        );

        $widen = self::widen($r, $usable, $covariance);
        $estimates = [];
        foreach ($parameters as $i => $parameter) {
            $sigma = sqrt(max($covariance[$i][$i], 0.0));
            $measured = $sigma < self::LEARNT * $parameter->spread();
            $value = $measured ? $parameter->house() * exp($best[$i]) : $parameter->house();
            $estimates[$parameter->value] = new Estimate(
                $parameter,
                $value,
                $value * ($measured ? $sigma * $widen : $parameter->spread()),
                $measured,
            );
            [$low, $high] = $parameter->range();
            if ($measured && ($value < $low || $value > $high)) {
                $problems[] = \sprintf(
                    'Together the tests would need a %s of %.3g; it lies between %.3g and %.3g on any table. Measure again what tells about it: %s.',
                    $parameter->spoken(),
                    $value,
                    $low,
                    $high,
                    self::tellers($usable, $parameter),
                );
            }
        }

        return new FitResult($estimates, [...$problems, ...self::contradictions($r, $usable)], $on, $with);
    }

    /**
     * A rebound can come from a slippery rubber or from one that grips: begin on either side and keep what fits best.
     *
     * @param callable(list<float>): list<float> $residuals
     *
     * @return array{list<float>, list<list<float>>, list<float>}
     */
    private static function best(callable $residuals, int $unknowns): array
    {
        $best = null;
        $least = INF;
        foreach ([-0.4, 0.3] as $friction) {
            $start = array_fill(0, $unknowns, 0.0);
            $start[(int) array_search(Parameter::Friction, Parameter::cases(), true)] = $friction;
            $try = LeastSquares::fit($residuals, array_values($start));
            $cost = array_sum(array_map(static fn(float $v): float => $v * $v, $try[2]));
            if (null === $best || $cost < $least - 1e-6) {
                [$best, $least] = [$try, $cost];
            }
        }

        return $best;
    }

    /**
     * @param list<float>                      $p
     * @param list<Measurement>                $tests
     * @param list<array{float, float}|null>   $speeds
     * @param array<string, list<float>>       $seen predictions made already: most slopes move one stroke's speed alone
     *
     * @return list<float> the readings' first, in order; then what was believed of parameters and speeds
     */
    private static function residuals(array $p, array $tests, array $speeds, Table $on, CueSpec $with, array &$seen): array
    {
        $values = [];
        $believed = [];
        foreach (Parameter::cases() as $i => $parameter) {
            $values[$parameter->value] = $parameter->house() * exp($p[$i]);
            $believed[] = $p[$i] / $parameter->spread();
        }
        $guess = new Guess($values, $on, $with);
        $key = implode(' ', $values);
        $off = [];
        foreach ($tests as $n => $test) {
            $slot = $p[\count(Parameter::cases()) + $n];
            [$speed, $known] = $speeds[$n] ?? [1.0, 1.0];
            $read = $test->readings();
            $errors = $test->errors();
            $predicted = $seen["$n $slot $key"] ??= $test->predicted($guess, $speed * exp($slot));
            foreach ($predicted as $k => $value) {
                $off[] = log($read[$k] / $value) / $errors[$k];
            }
            $believed[] = $slot / $known;
        }

        return [...$off, ...$believed];
    }

    /**
     * @param list<float>       $r
     * @param list<Measurement> $tests
     * @param list<list<float>> $covariance
     */
    private static function widen(array $r, array $tests, array $covariance): float
    {
        $readings = array_sum(array_map(static fn(Measurement $m): int => \count($m->readings()), $tests));
        $speeds = \count(array_filter($tests, static fn(Measurement $m): bool => null !== $m->speed()));
        $learnt = 0;
        foreach (Parameter::cases() as $i => $parameter) {
            $learnt += sqrt(max($covariance[$i][$i], 0.0)) < self::LEARNT * $parameter->spread() ? 1 : 0;
        }
        $free = $readings - $speeds - $learnt;
        $square = array_sum(array_map(static fn(float $v): float => $v * $v, \array_slice($r, 0, $readings)));

        return $free > 0 ? max(1.0, sqrt($square / $free)) : 1.0;
    }

    /**
     * @param list<float>       $r
     * @param list<Measurement> $tests
     *
     * @return list<string>
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

        return [\sprintf(
            '%s does not fit the rest: it is off by %.0f times the error of a reading. %s',
            ucfirst($who->name()),
            $worst,
            1 === \count($others)
                ? \sprintf('It and %s contradict each other: do the test a third time.', array_values($others)[0]->name())
                : 'Measure it again, or leave it out.',
        )];
    }

    /**
     * @param list<Measurement> $tests
     */
    private static function tellers(array $tests, Parameter $parameter): string
    {
        return implode(', ', array_map(
            static fn(Measurement $m): string => $m->name(),
            array_filter($tests, static fn(Measurement $m): bool => \in_array($parameter, $m->about(), true)),
        ));
    }
}
