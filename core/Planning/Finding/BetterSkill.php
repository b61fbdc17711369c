<?php

declare(strict_types=1);

namespace ZigLane\Core\Planning\Finding;

use ZigLane\Core\Finding;

/**
 * What a better hand would give.
 */
final readonly class BetterSkill implements Finding
{
    /**
     * @param float $better by so much, as a share
     * @param float $gain chance of running out, 0–1
     */
    public function __construct(
        public Skill $skill,
        public float $better,
        public float $gain,
    ) {}
}
