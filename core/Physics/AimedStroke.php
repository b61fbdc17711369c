<?php

declare(strict_types=1);

namespace ZigLane\Core\Physics;

/**
 * A stroke and the direction of the cue. Unchecked like it.
 */
final readonly class AimedStroke
{
    /**
     * @param float $aim rad from +x toward +y
     */
    public function __construct(public float $aim, public Stroke $stroke) {}
}
