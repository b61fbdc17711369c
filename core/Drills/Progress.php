<?php

declare(strict_types=1);

namespace ZigLane\Core\Drills;

use ZigLane\Core\Numerics\StudentEstimate;

/**
 * What tests of one drill tell, one after the other.
 */
final readonly class Progress
{
    /** The latest tests that the mean is of; fewer tests than this have no trend. */
    public const LATEST = 10;
    public const FEW = 4;

    public ?int $best;
    public ?int $last;

    /** @var array{float, float, float}|null mean of the latest tests, and its 90 % interval */
    public ?array $mean;

    /** @var array{float, float, float}|null points a test by which the latest ones rise, and its 90 % interval */
    public ?array $trend;

    /** @param list<int> $scores in order of time */
    public function __construct(public array $scores)
    {
        $this->best = [] === $scores ? null : max($scores);
        $this->last = [] === $scores ? null : $scores[\count($scores) - 1];
        $latest = \array_slice($scores, -self::LATEST);
        $this->mean = \count($latest) < 2 ? null : StudentEstimate::mean($latest);
        $this->trend = \count($latest) < self::FEW ? null : StudentEstimate::slope($latest);
    }

    /** How many of the latest tests in a row reached the pass mark. */
    public function passedInARow(int $pass): int
    {
        $row = 0;
        foreach (array_reverse($this->scores) as $score) {
            if ($score < $pass) {
                break;
            }
            ++$row;
        }

        return $row;
    }
}
