<?php

declare(strict_types=1);

namespace ZigLane\App\AtTable;

use ZigLane\App\Plan\StoredPlan;
use ZigLane\App\View\Reader;
use ZigLane\App\Work\Processors;
use ZigLane\App\Work\Work;
use ZigLane\Core\Decision\AdvisedSearch;
use ZigLane\Core\InvalidInput;
use ZigLane\Core\Parallel\Processes;
use ZigLane\Core\Planning\PlanConstraints;
use ZigLane\Core\Rack\Rack;

/**
 * The plan for a table as it lies, better and better; then what to play from all over its zones.
 */
final class PlanTable implements Work
{
    public static function kind(): string
    {
        return 'table-plan';
    }

    /**
     * @param list<mixed> $question Rack, a settled plan of it as it is stored or null, Reader
     *
     * @return \Generator<int, array<string, mixed>> run sheets; "edition" counts them
     */
    public function answers(array $question): \Generator
    {
        [$rack, $stored, $reader] = $question;
        \assert($rack instanceof Rack && (null === $stored || \is_string($stored)) && $reader instanceof Reader);
        $edition = 0;
        $sheet = null === $stored ? null : self::stored($rack, $stored, $reader);
        $described = $sheet?->describe();
        if (null === $sheet) {
            foreach ((new AdvisedSearch($rack, processes: Processes::asAllowed(Processors::forPlans(...))))->plans() as $advised) {
                $sheet = RunSheet::of($rack, $advised, $reader);
                $described = $sheet->describe();
                yield ['edition' => ++$edition, 'settled' => false, 'prepared' => (object) []] + $described;
            }
        }
        if (null === $sheet || null === $described) {
            throw new InvalidInput('', 'Nothing can be planned on this table');
        }
        $prepared = [];
        yield ['edition' => ++$edition, 'settled' => true, 'prepared' => (object) []] + $described;
        foreach ($sheet->prepared() as $number => $shots) {
            $prepared[$number] = $shots;
            yield ['edition' => ++$edition, 'settled' => true, 'prepared' => (object) $prepared] + $described;
        }
    }

    private static function stored(Rack $rack, string $stored, Reader $reader): ?RunSheet
    {
        try {
            $read = new StoredPlan($rack, new PlanConstraints(), $stored);
        } catch (InvalidInput) {
            // What cannot be read is planned again.
            return null;
        }
        $says = null !== $read->plan && ([] !== $read->plan->shots || null !== $read->advice);

        return $says ? new RunSheet($rack, $read->plan, $read->advice, $reader) : null;
    }
}
