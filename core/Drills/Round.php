<?php

declare(strict_types=1);

namespace ZigLane\Core\Drills;

/**
 * A drill done once: in training, or as a test.
 */
final readonly class Round
{
    /**
     * @param string    $key     tells it from every other: 8 to 64 letters, digits and hyphens
     * @param string    $drill   name of the drill in addresses
     * @param string    $step    name of its easier or harder form
     * @param bool      $test    each shot once, counted; else repeated until it works
     * @param list<int> $points  of each try
     * @param int       $repeats shots that were repeated
     */
    public function __construct(
        public string $key,
        public string $drill,
        public string $step,
        public bool $test,
        public \DateTimeImmutable $at,
        public array $points,
        public string $player = '',
        public string $place = '',
        public int $repeats = 0,
    ) {}

    /** Sum of the points. */
    public function score(): int
    {
        return (int) array_sum($this->points);
    }
}
