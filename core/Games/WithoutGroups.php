<?php

declare(strict_types=1);

namespace ZigLane\Core\Games;

use ZigLane\Core\Physics\Layout;

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

    /** Always. */
    public function winsByFalling(Layout $before): bool
    {
        return true;
    }

    /** None: every ball may be pocketed. */
    public function hasObstacles(): bool
    {
        return false;
    }
}
