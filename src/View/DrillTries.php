<?php

declare(strict_types=1);

namespace ZigLane\App\View;

use ZigLane\Core\Drills\Course;
use ZigLane\Core\Drills\Drill;
use ZigLane\Core\Drills\Rule;
use ZigLane\Core\Drills\Station;
use ZigLane\Core\Numerics\Generator;
use ZigLane\Core\Physics\Simulator;
use ZigLane\Core\Physics\TableLengths;
use ZigLane\Core\Rack\ShotSpec;
use ZigLane\Core\Wording\DrillWording;
use ZigLane\Core\Wording\SpeedScale;

/**
 * A drill as the page at the table takes it along: each station with its drawing, its buttons and its hint.
 */
final readonly class DrillTries
{
    /**
     * @return list<array{name: string, drawing: DrillDrawing, rules: list<array{points: int, says: string}>, hint: string}> one for each
     *         station; where places are drawn, one for each try
     */
    public static function of(Drill $drill, int $seed, SpeedScale $paces): array
    {
        $random = new Generator($seed);
        $lengths = new TableLengths(new Simulator($drill->table));
        $drawn = Course::Stations === $drill->course && null !== $drill->stations[0]->drawn;
        $stations = $drawn
            ? array_map(static fn(int $n): Station => $drill->station($n)->forTry($drill->table, $random), range(0, $drill->tries - 1))
            : $drill->stations;

        $stroke = static fn(ShotSpec $shot): string => DrillWording::stroke($shot, $shot->speed->inLengths($lengths), $paces);

        return array_map(static fn(Station $station): array => [
            'name' => $station->name,
            'drawing' => new DrillDrawing($drill, $station),
            'rules' => array_map(static fn(Rule $rule): array => ['points' => $rule->points, 'says' => $rule->says], $station->rules),
            'hint' => null === $station->shot ? '' : $stroke($station->shot),
        ], $stations);
    }
}
