<?php

declare(strict_types=1);

namespace ZigLane\Core\Experiments;

/**
 * How a rack went.
 */
final readonly class Played
{
    /**
     * @param float $predicted chance to run out before the first shot, 0–1
     * @param int   $points    balls pocketed less what a foul cost, where points are counted; 0 elsewhere
     */
    public function __construct(public bool $ranOut, public float $predicted, public int $shots, public int $points = 0) {}
}
