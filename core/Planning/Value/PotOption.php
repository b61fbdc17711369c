<?php

declare(strict_types=1);

namespace ZigLane\Core\Planning\Value;

use ZigLane\Core\Aiming\Pot;

/**
 * A pocket that a plan counts on for a ball, with the tables for it.
 */
final readonly class PotOption
{
    /**
     * @param list<int> $touched balls met on the way, as bits, by entry of the transitions
     */
    public function __construct(
        public Pot $pot,
        public CueBallTransitions $transitions,
        public PotChanceGrid $chances,
        public array $touched,
    ) {}
}
