<?php

declare(strict_types=1);

namespace ZigLane\Core\Drills\Trainer;

/**
 * A part of a practice session.
 */
final readonly class SessionPart
{
    /**
     * @param string         $drill  name in addresses
     * @param bool           $test   each shot once, counted; else repeated until it works
     * @param SkillLoss|null $reason what it is for; null for warming up
     * @param bool           $again  for the same as the part before it
     */
    public function __construct(
        public string $drill,
        public int $minutes,
        public bool $test,
        public ?SkillLoss $reason,
        public bool $again = false,
    ) {}
}
