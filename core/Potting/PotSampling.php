<?php

declare(strict_types=1);

namespace ZigLane\Core\Potting;

use ZigLane\Core\Equipment\Pocket;
use ZigLane\Core\Physics\Layout;
use ZigLane\Core\Physics\Shot;
use ZigLane\Core\Physics\Simulator;
use ZigLane\Core\Player\ExecutionError;

/**
 * The chance of a pot by playing the shot many times on the whole table, each time with other errors: slow, and the
 * measure of what is fast.
 */
final readonly class PotSampling
{
    public function __construct(private Simulator $simulator) {}

    /** Share of tries in which the ball, hit first, drops in that pocket. */
    public function chance(Layout $layout, int $ball, Pocket $pocket, Shot $shot, ExecutionError $error, int $tries): float
    {
        $sampler = new ShotSampler($this->simulator, $layout, $ball, $pocket);
        $made = 0;
        foreach (ErrorSamples::of($tries) as $sample) {
            $state = $sampler->under($error, $sample, $shot->aim, $shot->speed, $shot->tip->side, $shot->tip->height, $shot->elevation);
            $made += null !== $state && $sampler->pots($state) ? 1 : 0;
        }

        return $made / $tries;
    }
}
