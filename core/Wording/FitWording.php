<?php

declare(strict_types=1);

namespace ZigLane\Core\Wording;

use ZigLane\Core\Measuring\Problem\Contradiction;
use ZigLane\Core\Measuring\Problem\ImpossibleReading;
use ZigLane\Core\Measuring\Problem\OutOfRange;

/**
 * What is wrong with measurements, in sentences.
 */
final class FitWording
{
    private function __construct() {}

    /** A whole sentence, or two. */
    public static function sentence(ImpossibleReading|OutOfRange|Contradiction $problem): string
    {
        return match (true) {
            $problem instanceof ImpossibleReading => ucfirst($problem->message)
                . (1 === preg_match('/[?.]$/', $problem->message) ? '' : '.'),
            $problem instanceof OutOfRange => \sprintf(
                'Together the tests would need a %s of %.3g; it lies between %.3g and %.3g on any table. Measure again what tells about it: %s.',
                $problem->parameter->spoken(),
                $problem->value,
                $problem->low,
                $problem->high,
                implode(', ', $problem->tests),
            ),
            $problem instanceof Contradiction => \sprintf(
                '%s does not fit the rest: it is off by %.0f times the error of a reading. %s',
                ucfirst($problem->test),
                $problem->off,
                null === $problem->other
                    ? 'Measure it again, or leave it out.'
                    : "It and $problem->other contradict each other: do the test a third time.",
            ),
        };
    }
}
