<?php

declare(strict_types=1);

namespace ZigLane\Core\Games;

use ZigLane\Core\Physics\Layout;
use ZigLane\Core\Physics\ShotResult;

/**
 * The rules of a game, as far as running out a rack needs them. An event's own rules may differ and then decide.
 */
interface Game
{
    public function name(): GameName;

    /**
     * @return list<int> the object balls of a full rack
     */
    public function rack(): array;

    /**
     * @return list<int> balls on the table that may be struck first, ascending; empty when the rack is over
     */
    public function legalTargets(Layout $layout): array;

    /** Judges a shot played from a layout. */
    public function judge(Layout $before, ShotResult $result): Verdict;

    /** Whether nothing is left to be pocketed. */
    public function isOver(Layout $layout): bool;
}
