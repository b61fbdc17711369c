<?php

declare(strict_types=1);

namespace ZigLane\Core\Drills;

use ZigLane\Core\Numerics\Generator;
use ZigLane\Core\Player\Level;
use ZigLane\Core\Player\Player;

/**
 * The score of a test that a level may expect: the mean of a simulated player's.
 */
final readonly class Par
{
    /**
     * @param float $score mean of a test
     * @param float $error its standard error
     * @param float $spread standard deviation of single tests
     */
    public function __construct(public float $score, public float $error, public float $spread) {}

    /** @param int $tests from 2 */
    public static function of(Drill $drill, Level $level, int $tests, Generator $random): self
    {
        $shooter = new DrillShooter($drill, Player::of($level), $random);
        $scores = [];
        for ($n = 0; $n < $tests; ++$n) {
            $scores[] = $shooter->test();
        }
        $mean = array_sum($scores) / $tests;
        $square = array_sum(array_map(static fn(int $score): float => ($score - $mean) ** 2, $scores)) / ($tests - 1);

        return new self($mean, sqrt($square / $tests), sqrt($square));
    }
}
