<?php

declare(strict_types=1);

namespace ZigLane\Core\Drills;

use ZigLane\Core\Drills\Condition\Condition;
use ZigLane\Core\Logbook\Attempt;

/**
 * What a shot must do for so many points.
 */
final readonly class Rule
{
    /**
     * @param int             $points from 1
     * @param string          $says   in a few words, for the button that is pressed when it did
     * @param list<Condition> $needs  all of them
     */
    public function __construct(public int $points, public string $says, public array $needs) {}

    /** Whether a shot did all of it. */
    public function holds(Attempt $attempt): bool
    {
        foreach ($this->needs as $condition) {
            if (!$condition->holds($attempt)) {
                return false;
            }
        }

        return true;
    }

    /** The same with areas so many times as large. */
    public function scaled(float $times): self
    {
        return new self($this->points, $this->says, array_map(static fn(Condition $c): Condition => $c->scaled($times), $this->needs));
    }
}
