<?php

declare(strict_types=1);

namespace ZigLane\Core\Planning;

use ZigLane\Core\Equipment\Pocket;
use ZigLane\Core\Geometry\Point;
use ZigLane\Core\Geometry\Region;
use ZigLane\Core\Physics\Layout;
use ZigLane\Core\Rack\ShotSpec;

/**
 * One shot of a plan.
 */
final readonly class PlannedShot
{
    /**
     * @param Layout       $before   the balls when its turn comes, when nothing goes wrong until then
     * @param float        $pot      chance of the pot, 0–1, the cue ball staying up
     * @param float        $position chance of the pot and a good place for the rest, 0–1
     * @param float        $runOut   chance to run out from here on, 0–1
     * @param Region       $zone     good places for the rest; empty after the last shot
     * @param Region       $heart    the best part of that
     * @param Point        $rest     where the cue ball stops when nothing goes wrong
     * @param string       $words    the route in the trade's words
     * @param list<string> $why      whole sentences
     * @param list<string> $ideas    what the shot turns on, whole sentences
     * @param bool         $settled  whether its stroke has been searched for, else it is a first one
     */
    public function __construct(
        public int $ball,
        public Pocket $pocket,
        public ShotSpec $spec,
        public Layout $before,
        public float $pot,
        public float $position,
        public float $runOut,
        public Region $zone,
        public Region $heart,
        public Point $rest,
        public string $words,
        public array $why,
        public array $ideas,
        public bool $settled,
    ) {}
}
