<?php

declare(strict_types=1);

namespace ZigLane\Core\Logbook;

use ZigLane\Core\Equipment\BallId;
use ZigLane\Core\Geometry\Point;
use ZigLane\Core\Geometry\Region;
use ZigLane\Core\Physics\ShotResult;

/**
 * What the plan promised of a shot before it was played.
 */
final readonly class Forecast
{
    /** A stretch shorter than this is no way, m. */
    private const STILL = 0.005;

    /**
     * @param float|null $pot        chance that the ball drops, 0–1
     * @param float|null $position   chance that it drops and the cue ball stops in the zone, 0–1
     * @param float|null $runOut     chance to run out from here, 0–1
     * @param Point|null $rest       where the cue ball was to stop, m
     * @param float|null $headingDeg direction in which it was to come there, degrees from +x toward +y
     * @param int|null   $rails      cushions on its way
     * @param list<list<Point>> $zone rings of the good places for what comes next, holes among them, m; [] where there are none
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

    /**
     * The same with where the cue ball stops, and how it comes there, in a shot that was played. When that moves other balls than its own,
     * position is not a matter of where the cue ball stops alone: then there is no zone.
     *
     * @param int|null $ball the shot's own
     */
    public function stopping(ShotResult $result, ?int $ball): self
    {
        $moves = [] !== array_diff(array_keys($result->paths), [BallId::CUE, $ball]);
        $heading = null;
        foreach ($result->paths[BallId::CUE] ?? [] as $piece) {
            // What hardly moves has no direction worth telling.
            if ($piece->start->distanceTo($piece->end()) > self::STILL) {
                $heading = rad2deg($piece->start->angleTo($piece->end()));
            }
        }

        return new self(
            $this->pot,
            $moves ? null : $this->position,
            $this->runOut,
            $result->final->balls[BallId::CUE] ?? null,
            null === $heading ? null : round($heading, 1),
            \count($result->cueCushions()),
            $moves ? [] : $this->zone,
        );
    }

    /** The good places for what comes next. */
    public function region(): Region
    {
        return new Region($this->zone);
    }
}
