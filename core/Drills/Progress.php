<?php

declare(strict_types=1);

namespace ZigLane\Core\Drills;

/**
 * What tests of one drill tell, one after the other.
 */
final readonly class Progress
{
    /** The latest tests that the mean is of; fewer tests than this have no trend. */
    public const LATEST = 10;
    public const FEW = 4;

    /** Two-sided 90 % limits of Student's t by degrees of freedom, from memory of the tables; more degrees: the normal limit. */
    private const T90 = [1 => 6.31, 2.92, 2.35, 2.13, 2.02, 1.94, 1.89, 1.86, 1.83, 1.81];
    private const NORMAL = 1.645;

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
        $this->mean = \count($latest) < 2 ? null : self::mean($latest);
        $this->trend = \count($latest) < self::FEW ? null : self::slope($latest);
    }

    /**
     * @param list<int> $scores at least two
     *
     * @return array{float, float, float}
     */
    private static function mean(array $scores): array
    {
        $many = \count($scores);
        $mean = array_sum($scores) / $many;
        $square = array_sum(array_map(static fn(int $s): float => ($s - $mean) ** 2, $scores)) / ($many - 1);
        $half = self::limit($many - 1) * sqrt($square / $many);

        return [$mean, $mean - $half, $mean + $half];
    }

    /**
     * Least squares: a straight line through the scores, one step a test.
     *
     * @param list<int> $scores at least three
     *
     * @return array{float, float, float}
     */
    private static function slope(array $scores): array
    {
        $many = \count($scores);
        $middle = ($many - 1) / 2;
        $mean = array_sum($scores) / $many;
        $xx = $xy = 0.0;
        foreach ($scores as $n => $score) {
            $xx += ($n - $middle) ** 2;
            $xy += ($n - $middle) * ($score - $mean);
        }
        $slope = $xy / $xx;
        $rest = 0.0;
        foreach ($scores as $n => $score) {
            $rest += ($score - $mean - $slope * ($n - $middle)) ** 2;
        }
        $half = self::limit($many - 2) * sqrt($rest / ($many - 2) / $xx);

        return [$slope, $slope - $half, $slope + $half];
    }

    private static function limit(int $degrees): float
    {
        return self::T90[$degrees] ?? self::NORMAL;
    }
}
