<?php

declare(strict_types=1);

namespace ZigLane\Core\Equipment;

/**
 * The four rails, left and right as seen from the head rail looking to the foot.
 */
enum Rail: string
{
    case Head = 'head';
    case Foot = 'foot';
    case Left = 'left';
    case Right = 'right';

    /** By the number that the simulator gives a cushion (see SlotEvent): head, foot, left, right. */
    public static function at(int $cushion): self
    {
        return self::cases()[$cushion];
    }
}
