<?php

declare(strict_types=1);

namespace ZigLane\Core\Drills\Trainer;

use ZigLane\Core\Drills\Drill;
use ZigLane\Core\Drills\Skill;
use ZigLane\Core\Player\Level;

/**
 * What tests of a drill tell of the skill that it trains: the share of its points, against the par of the player's level.
 */
final readonly class DrillScore
{
    /**
     * @param float $par   share of the points that such a player is to get, 0–1
     * @param float $share that was got, 0–1
     * @param int   $shots of all the tests
     * @param int   $tests how many
     */
    private function __construct(public Skill $skill, public float $par, public float $share, public int $shots, public int $tests) {}

    /**
     * @param list<int> $scores of tests at the drill's usual step
     *
     * @return self|null null where the drill has no par for the level, or no end to its points
     */
    public static function of(Drill $drill, Level $level, array $scores): ?self
    {
        $most = $drill->most();
        $par = $drill->pars[$level->value] ?? null;
        if (null === $most || 0 === $most || null === $par || [] === $scores) {
            return null;
        }
        $many = \count($scores);

        return new self($drill->skill, min(1.0, $par / $most), min(1.0, array_sum($scores) / $many / $most), $drill->tries * $many, $many);
    }
}
