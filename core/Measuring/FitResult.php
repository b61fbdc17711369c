<?php

declare(strict_types=1);

namespace ZigLane\Core\Measuring;

use ZigLane\Core\Equipment\CueSpec;
use ZigLane\Core\Equipment\Table;
use ZigLane\Core\Measuring\Problem\Contradiction;
use ZigLane\Core\Measuring\Problem\ImpossibleReading;
use ZigLane\Core\Measuring\Problem\OutOfRange;

/**
 * A table and a cue as measured. With problems there is nothing to be used: they say what to measure again.
 */
final readonly class FitResult
{
    /**
     * @param array<string, Estimate> $estimates by Parameter value
     * @param list<ImpossibleReading|OutOfRange|Contradiction> $problems empty when all is well
     */
    public function __construct(public array $estimates, public array $problems, private Table $on, private CueSpec $with) {}

    /** Whether the readings agree and are possible. */
    public function sound(): bool
    {
        return [] === $this->problems;
    }

    /** Whether any number of the cue, or else of the table, was measured. */
    public function measuredAny(bool $ofCue): bool
    {
        return [] !== array_filter($this->estimates, static fn(Estimate $e): bool => $e->measured && $ofCue === $e->parameter->ofCue());
    }

    /** The table with what was measured of it. */
    public function table(): Table
    {
        return $this->guess()->table;
    }

    /** The cue with what was measured of it. */
    public function cue(): CueSpec
    {
        return $this->guess()->cue;
    }

    private function guess(): Guess
    {
        $values = [];
        foreach ($this->estimates as $name => $estimate) {
            if ($estimate->measured) {
                $values[$name] = $estimate->value;
            }
        }

        return new Guess($values, $this->on, $this->with);
    }
}
