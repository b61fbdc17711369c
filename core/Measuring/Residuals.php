<?php

declare(strict_types=1);

namespace ZigLane\Core\Measuring;

use ZigLane\Core\Equipment\CueSpec;
use ZigLane\Core\Equipment\Table;

/**
 * How far guesses at a table's and a cue's numbers are from the readings, and from what was believed before.
 *
 * @internal
 */
final class Residuals
{
    /** @var array<string, list<float>> predictions made already: most slopes move one stroke's speed alone */
    private array $seen = [];

    /** @var list<array{float, float}|null> speeds believed and how well they are known, by test */
    private readonly array $speeds;

    /**
     * @param list<Measurement> $tests
     * @param Table             $on    what is not measured
     */
    public function __construct(private readonly array $tests, private readonly Table $on, private readonly CueSpec $with)
    {
        $this->speeds = array_map(static fn(Measurement $m): ?array => $m->speed(), $tests);
    }

    /**
     * @param list<float> $p logarithms of the parameters over the house's, then of each test's speed over what was believed
     *
     * @return list<float> the readings' first, in order; then what was believed of parameters and speeds
     */
    public function of(array $p): array
    {
        $values = [];
        $believed = [];
        foreach (Parameter::cases() as $i => $parameter) {
            $values[$parameter->value] = $parameter->house() * exp($p[$i]);
            $believed[] = $p[$i] / $parameter->spread();
        }
        $guess = new Guess($values, $this->on, $this->with);
        $key = implode(' ', $values);
        $off = [];
        foreach ($this->tests as $n => $test) {
            $slot = $p[\count(Parameter::cases()) + $n];
            [$speed, $known] = $this->speeds[$n] ?? [1.0, 1.0];
            $read = $test->readings();
            $errors = $test->errors();
            $predicted = $this->seen["$n $slot $key"] ??= $test->predicted($guess, $speed * exp($slot));
            foreach ($predicted as $k => $value) {
                $off[] = log($read[$k] / $value) / $errors[$k];
            }
            $believed[] = $slot / $known;
        }

        return [...$off, ...$believed];
    }
}
