<?php

declare(strict_types=1);

namespace ZigLane\Core\Choice;

use ZigLane\Core\Planning\PlannedShot;
use ZigLane\Core\Rack\Rack;

/**
 * Two ways to play a shot, one of them better: which?
 */
final readonly class Pair
{
    /** @param array{PlannedShot, PlannedShot} $shots */
    public function __construct(public Rack $rack, public array $shots) {}

    /** Which of them runs out more often, 0 or 1. */
    public function better(): int
    {
        return $this->shots[0]->chances->runOut >= $this->shots[1]->chances->runOut ? 0 : 1;
    }

    /** Chance to run out that the other one costs, 0–1. */
    public function apart(): float
    {
        return abs($this->shots[0]->chances->runOut - $this->shots[1]->chances->runOut);
    }
}
