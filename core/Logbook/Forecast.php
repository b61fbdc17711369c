<?php

declare(strict_types=1);

namespace ZigLane\Core\Logbook;

use ZigLane\Core\Geometry\Point;
use ZigLane\Core\Geometry\Region;

/**
 * What the plan promised of a shot before it was played.
 */
final readonly class Forecast
{
    /**
     * @param float|null $pot        chance that the ball drops, 0–1
     * @param float|null $position   chance that it drops and the cue ball stops in the zone, 0–1
     * @param float|null $runOut     chance to run out from here, 0–1
     * @param Point|null $rest       where the cue ball was to stop, m
     * @param float|null $headingDeg direction in which it was to come there, degrees from +x toward +y
     * @param int|null   $rails      cushions on its way
     * @param list<Point> $zone      corners of the good places for what comes next, m; [] where there are none
     */
    public function __construct(
        public ?float $pot = null,
        public ?float $position = null,
        public ?float $runOut = null,
        public ?Point $rest = null,
        public ?float $headingDeg = null,
        public ?int $rails = null,
        public array $zone = [],
    ) {}

    /** The good places for what comes next. */
    public function region(): Region
    {
        return new Region([$this->zone]);
    }
}
