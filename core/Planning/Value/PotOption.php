<?php

declare(strict_types=1);

namespace ZigLane\Core\Planning\Value;

use ZigLane\Core\Aiming\Pot;
use ZigLane\Core\Physics\Layout;

/**
 * A pocket that a plan counts on for a ball, with the tables for it.
 */
final class PotOption
{
    /** @var array<int, list<int>> by cut and side */
    private array $touched = [];

    /** @param Layout $layout the balls that the cue ball may meet on its way */
    public function __construct(
        public readonly Pot $pot,
        public readonly CueBallTransitions $transitions,
        public readonly PotChanceGrid $chances,
        private readonly Layout $layout,
    ) {}

    /**
     * Balls met on the way.
     *
     * @param int $cut  places on the ladders of cuts and side spins
     * @param int $side
     *
     * @return list<int> one bit for each ball number, by entry of CutTransitions
     */
    public function touched(int $cut, int $side): array
    {
        return $this->touched[TransitionsNeeded::place($cut, $side)] ??= $this->transitions->at($cut, $side)->touched(
            $this->layout,
            $this->pot->ball,
        );
    }
}
