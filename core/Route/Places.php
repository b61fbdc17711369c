<?php

declare(strict_types=1);

namespace ZigLane\Core\Route;

use ZigLane\Core\Table\Point;

/**
 * Knows what a place of the cue ball is worth.
 *
 * @internal for Nodes
 */
interface Places
{
    /**
     * @return array{float, float, int} worth and chance, 0–1, and which pot they are of
     */
    public function asked(Point $place): array;
}
