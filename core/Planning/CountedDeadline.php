<?php

declare(strict_types=1);

namespace ZigLane\Core\Planning;

/**
 * Over after so many shots of the line, however long they take.
 */
final class CountedDeadline implements Deadline
{
    private int $searched = 0;

    /** @param int<1, max> $shots searched in all */
    public function __construct(private readonly int $shots) {}

    public function allowsAnother(): bool
    {
        return ++$this->searched < $this->shots;
    }
}
