<?php

declare(strict_types=1);

namespace ZigLane\Core\Choice;

use ZigLane\Core\Aiming\Pot;
use ZigLane\Core\Geometry\Point;
use ZigLane\Core\Physics\Speed;
use ZigLane\Core\Physics\Tip;
use ZigLane\Core\Rack\ShotSpec;

/**
 * What a player would play, said before the plan is seen.
 */
final readonly class Choice
{
    /**
     * @param Point     $spot  where the cue ball is meant to stop, m
     * @param list<int> $order of the balls, the first to be potted first; [] where the rules give it
     */
    public function __construct(public Pot $pot, public Point $spot, public Speed $speed, public Tip $tip, public array $order = []) {}

    /**
     * The stroke as it was said.
     *
     * @param float $offset part of the pocket, −1 … 1, which is not said
     */
    public function spec(float $offset = 0.0): ShotSpec
    {
        return ShotSpec::toPocket($this->pot, $this->speed, $this->tip, $offset);
    }
}
