<?php

declare(strict_types=1);

namespace ZigLane\Core\Routes;

use ZigLane\Core\Geometry\Point;

/**
 * Knows what a place of the cue ball is worth.
 *
 * @internal for Nodes
 */
interface NodeEvaluator
{
    /**
     * @return array{float, float, int} worth and chance, 0–1, and which pot they are of
     */
    public function asked(Point $place): array;
}
