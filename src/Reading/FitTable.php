<?php

declare(strict_types=1);

namespace ZigLane\App\Reading;

use ZigLane\App\Work\Work;
use ZigLane\Core\Equipment\Table;
use ZigLane\Core\Measuring\FitResult;
use ZigLane\Core\Measuring\Sheet;
use ZigLane\Core\Measuring\TableFit;

/**
 * A table's and a cue's own numbers from a sheet of readings.
 */
final class FitTable implements Work
{
    public static function kind(): string
    {
        return 'fit';
    }

    /**
     * @param list<mixed> $question Sheet, Table it was taken on
     *
     * @return \Generator<int, FitResult>
     */
    public function answers(array $question): \Generator
    {
        [$sheet, $on] = $question;
        \assert($sheet instanceof Sheet && $on instanceof Table);
        yield TableFit::of($sheet->measurements($on->size), $on);
    }
}
