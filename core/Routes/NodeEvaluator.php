<?php

declare(strict_types=1);

namespace ZigLane\Core\Routes;

use ZigLane\Core\Geometry\Point;

/**
 * Works out the value of one cue-ball position.
 *
 * @internal for Nodes
 */
interface NodeEvaluator
{
    /**
     * @return array{float, float, int} value and chance, 0–1, and which pot they are of
     */
    public function asked(Point $place): array;
}
