<?php

declare(strict_types=1);

namespace ZigLane\Core\Routes;

use ZigLane\Core\Geometry\Point;

/**
 * Works out the value of one cue-ball position.
 *
 * @internal for LazyGrid
 */
interface NodeEvaluator
{
    /** What the cue ball's lying at a place is worth; nothing where no pot goes. */
    public function nodeAt(Point $place): NodeValue;
}
