<?php

declare(strict_types=1);

namespace ZigLane\Core\Drills\Trainer;

use ZigLane\Core\Drills\Skill;

/**
 * What a skill costs a player.
 */
final readonly class SkillLoss
{
    /**
     * @param float $aRack    shots lost in a rack of nine shots beyond what was promised; below 0 better than promised
     * @param float $error    its standard error
     * @param int   $shots    that needed the skill
     * @param float $promised share of them that were to go well
     * @param float $went     share that did
     * @param int   $tests    of drills for it that told, too
     */
    public function __construct(
        public Skill $skill,
        public float $aRack,
        public float $error,
        public int $shots,
        public float $promised,
        public float $went,
        public int $tests = 0,
    ) {}

    /** How far it stands out from chance, in standard errors: a rare skill is not outdone by a common one that was unlucky. */
    public function surely(): float
    {
        return $this->error > 0.0 ? $this->aRack / $this->error : 0.0;
    }
}
