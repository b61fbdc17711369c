<?php

declare(strict_types=1);

namespace ZigLane\Core\Planning\Value;

/**
 * A cell of the cue-ball grid and a place in it.
 *
 * @internal
 */
final readonly class GridCell
{
    /**
     * @param int   $node   the cell's corner nearest to the foot left corner of the table
     * @param float $along  where in the cell along the table, 0–1
     * @param float $across and across it, 0–1
     */
    public function __construct(public int $node, public float $along, public float $across) {}
}
