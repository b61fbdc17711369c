<?php

declare(strict_types=1);

namespace ZigLane\Core\Experiments\Matches;

use ZigLane\Core\Decision\ShotBudget;
use ZigLane\Core\Games\Game;
use ZigLane\Core\Planning\SearchBudget;

/**
 * How closely players in a match look at each table.
 */
enum Effort: string
{
    /** As the page looks once a plan has settled, with somewhat smaller searches. */
    case Full = 'full';

    /** As the page's first answer is found: about a fifth of the time. */
    case Quick = 'quick';

    /** For the plan. */
    public function planning(Game $game): SearchBudget
    {
        return self::Full === $this ? SearchBudget::season($game) : SearchBudget::quick();
    }

    /** For the advice. */
    public function shots(): ShotBudget
    {
        return self::Full === $this ? ShotBudget::season() : ShotBudget::quick();
    }
}
