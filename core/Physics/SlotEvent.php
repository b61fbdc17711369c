<?php

declare(strict_types=1);

namespace ZigLane\Core\Physics;

/**
 * Something that happened in a recorded run, told by slots; Event tells the same by ball numbers.
 */
final readonly class SlotEvent
{
    /**
     * @param float $time  s after the stroke
     * @param int   $slot  of the ball concerned
     * @param int   $other slot of the other ball, number of the cushion (head, foot, left, right), twice the pocket's index and the
     *                     side of its mouth for a facing, or index of the pocket; 0 otherwise
     * @param float $x     centre of the ball, m
     * @param float $y     m
     */
    public function __construct(
        public float $time,
        public EventType $type,
        public int $slot,
        public int $other,
        public float $x,
        public float $y,
    ) {}
}
