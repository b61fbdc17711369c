<?php

declare(strict_types=1);

namespace ZigLane\App\View;

use ZigLane\Core\Equipment\Table;
use ZigLane\Core\InvalidInput;
use ZigLane\Core\Physics\Simulator;
use ZigLane\Core\Physics\TableLengths;
use ZigLane\Core\Wording\SpeedScale;

/**
 * A pace on a table: how hard it is struck there, and how long it rolls.
 */
final readonly class PaceRow
{
    /**
     * @param float|null $speed   of the cue ball when it leaves the cue, m/s; null where nobody strikes that hard
     * @param float|null $seconds until it stops
     * @param float|null $harder  than on a table of the house, as a share of the speed
     */
    private function __construct(
        public string $name,
        public float $lengths,
        public ?float $speed,
        public ?float $seconds,
        public ?float $harder,
    ) {}

    /** @return list<self> */
    public static function all(SpeedScale $scale, Table $table): array
    {
        $here = new TableLengths(new Simulator($table));
        $house = new TableLengths(new Simulator(new Table($table->size)));
        $rows = [];
        foreach ($scale->names as $name => $lengths) {
            try {
                $speed = $here->toSpeed($lengths);
                $rows[] = new self($name, $lengths, $speed, $here->seconds($speed), $speed / $house->toSpeed($lengths) - 1.0);
            } catch (InvalidInput) {
                $rows[] = new self($name, $lengths, null, null, null);
            }
        }

        return $rows;
    }
}
