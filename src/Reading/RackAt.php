<?php

declare(strict_types=1);

namespace ZigLane\App\Reading;

use ZigLane\App\Rack\PlayedLines;
use ZigLane\Core\Line\RackAfter;
use ZigLane\Core\Rack\Rack;

/**
 * The rack as it lies where a leg begins.
 */
final readonly class RackAt
{
    public function __construct(private PlayedLines $lines) {}

    /** @param int $leg its number, or as near to it as the line gets; 0 is the layout */
    public function leg(Rack $rack, int $leg): Rack
    {
        if ($leg < 1 || [] === $rack->legs) {
            return $rack->withLegs([]);
        }

        return RackAfter::legs($rack, \array_slice($this->lines->play($rack), 0, $leg - 1));
    }
}
