<?php

declare(strict_types=1);

namespace ZigLane\Core\Planning;

/**
 * Over after so many seconds. A shot that would not be done in time, going by the one before it, is not begun.
 */
final class ClockDeadline implements Deadline
{
    private readonly int $end;
    private int $began;

    /** @param float $seconds from now */
    public function __construct(float $seconds)
    {
        $this->began = hrtime(true);
        $this->end = $this->began + (int) ($seconds * 1e9);
    }

    public function allowsAnother(): bool
    {
        $now = hrtime(true);
        $took = $now - $this->began;
        $this->began = $now;

        return $now + $took <= $this->end;
    }
}
