<?php

declare(strict_types=1);

namespace ZigLane\Core\Drills\Area;

/**
 * A part of the bed that a ball is to stop in, in diamonds along (0–8) and across (0–4), so that it goes with any table.
 */
interface Area
{
    /** Whether a ball whose middle lies there is in it. */
    public function contains(float $along, float $across): bool;

    /** The same so many times as wide and as high, about its middle. */
    public function scaled(float $times): self;

    /**
     * Its edge, for drawing: closed without repeating the first point.
     *
     * @return list<array{float, float}>
     */
    public function outline(): array;
}
