<?php

declare(strict_types=1);

namespace ZigLane\Core\Experiments;

use ZigLane\Core\Rack\Rack;

/**
 * Someone who plays racks: chooses a shot for a table as it lies.
 */
interface Policy
{
    /**
     * @param Rack $rack ball in hand, or the cue ball on the table
     *
     * @return array{Rack, Called}|null the rack with the cue ball put down and the group taken, and the shot; null when there is none
     */
    public function next(Rack $rack): ?array;
}
