<?php

declare(strict_types=1);

namespace ZigLane\Core\Games;

/**
 * A game in which all balls are the player's.
 */
trait WithoutGroups
{
    /** Never: there is no group to choose. */
    public function isTableOpen(): bool
    {
        return false;
    }

    /** None. */
    public function groupTakenWith(int $ball): ?Group
    {
        return null;
    }

    /** None: every ball may be pocketed. */
    public function hasObstacles(): bool
    {
        return false;
    }
}
