<?php

declare(strict_types=1);

namespace ZigLane\Core\Potting;

use ZigLane\Core\Aiming\Pot;
use ZigLane\Core\Equipment\Pocket;
use ZigLane\Core\Physics\AimedStroke;
use ZigLane\Core\Physics\Layout;
use ZigLane\Core\Physics\Simulator;
use ZigLane\Core\Player\ExecutionError;

/**
 * The chance of a pot by playing the shot many times on the whole table, each time with other errors: slow, and the
 * measure of what is fast.
 */
final readonly class PotSampling
{
    /**
     * @param positive-int $tries   for one chance
     * @param ErrorSamples $samples the errors they are played under
     */
    public function __construct(private Simulator $simulator, private int $tries, private ErrorSamples $samples = new ErrorSamples()) {}

    /** Share of tries in which the ball, hit first, drops in that pocket. */
    public function chance(Layout $layout, Pot $pot, AimedStroke $stroke, ExecutionError $error): float
    {
        $sampler = new ShotSampler($this->simulator, $layout, $pot);
        $made = 0;
        foreach ($this->samples->first($this->tries) as $sample) {
            $state = $sampler->under($error, $sample, $stroke);
            $made += null !== $state && $sampler->pots($state) ? 1 : 0;
        }

        return $made / $this->tries;
    }
}
