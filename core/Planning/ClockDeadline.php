<?php

declare(strict_types=1);

namespace ZigLane\Core\Planning;

/**
 * Over after so many seconds. A shot that would not be done in time, going by the one before it, is not begun.
 */
final class ClockDeadline implements Deadline
{
    /** A line is not shown more often than this, ns. */
    private const OFTEN = 1_500_000_000;

    private readonly int $end;
    private int $began;
    private int $next = 0;

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

    public function isTimeToShow(): bool
    {
        $now = hrtime(true);
        if ($now <= $this->next) {
            return false;
        }
        $this->next = $now + self::OFTEN;

        return true;
    }
}
