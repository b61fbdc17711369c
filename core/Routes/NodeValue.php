<?php

declare(strict_types=1);

namespace ZigLane\Core\Routes;

use ZigLane\Core\Aiming\Pot;

/**
 * What the cue ball's being at a node of a grid is worth.
 *
 * @internal
 */
final readonly class NodeValue
{
    /**
     * @param float    $value  0–1
     * @param float    $chance of the best pot from there, 0–1
     * @param Pot|null $pot    the best pot; null where there is none
     */
    public function __construct(public float $value = 0.0, public float $chance = 0.0, public ?Pot $pot = null) {}
}
