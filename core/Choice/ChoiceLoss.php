<?php

declare(strict_types=1);

namespace ZigLane\Core\Choice;

use ZigLane\Core\Drills\Skill;
use ZigLane\Core\Drills\Trainer\SkillLoss;

/**
 * What choosing costs a player, in the trainer's measure: from racks that were taken as they came, since those picked for a trap say
 * nothing of the usual ones.
 */
final class ChoiceLoss
{
    /** Fewer racks tell nothing. Shots of a rack, each of them a choice. */
    private const FEW = 4;
    private const RACK = 9.0;

    /** A single rack tells so much at best: the least standard deviation of the share that is lost (our own choice). */
    private const LEAST = 0.05;

    private function __construct() {}

    /**
     * @param list<ChoiceWorth> $plain of racks that were taken as they came, in order of time
     *
     * @return SkillLoss|null null for too few
     */
    public static function of(array $plain): ?SkillLoss
    {
        $lost = array_map(static fn(ChoiceWorth $w): float => 1.0 - $w->kept(), \array_slice($plain, -ChoiceProgress::LATEST));
        $many = \count($lost);
        if ($many < self::FEW) {
            return null;
        }
        $mean = array_sum($lost) / $many;
        $square = array_sum(array_map(static fn(float $l): float => ($l - $mean) ** 2, $lost)) / ($many - 1);
        $error = max(self::LEAST, sqrt($square)) / sqrt($many);

        return new SkillLoss(Skill::Choice, self::RACK * $mean, self::RACK * $error, $many, 1.0, 1.0 - $mean);
    }
}
