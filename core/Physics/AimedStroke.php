<?php

declare(strict_types=1);

namespace ZigLane\Core\Physics;

use ZigLane\Core\InvalidInput;

/**
 * A stroke and the direction of the cue. Unchecked like it.
 */
final readonly class AimedStroke
{
    /**
     * @param float $aim rad from +x toward +y
     */
    public function __construct(public float $aim, public Stroke $stroke) {}

    /**
     * As a shot that a person can play.
     *
     * @throws InvalidInput when no person could
     */
    public function shot(): Shot
    {
        return new Shot($this->aim, $this->stroke->speed, new Tip($this->stroke->side, $this->stroke->height), $this->stroke->elevation);
    }
}
