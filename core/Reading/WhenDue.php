<?php

declare(strict_types=1);

namespace ZigLane\Core\Reading;

use ZigLane\Core\Equipment\BallId;
use ZigLane\Core\Games\Game;
use ZigLane\Core\Physics\Layout;

/**
 * The table as it will be when a ball's turn comes, and what may come after it.
 */
final class WhenDue
{
    private function __construct() {}

    /** With a fixed order the balls before it are gone; in a free one nothing is certain, and all stay. */
    public static function layout(Game $game, Layout $layout, int $ball): Layout
    {
        if (!$game->hasFixedOrder()) {
            return $layout;
        }

        return new Layout(
            array_filter($layout->balls, static fn(int $id): bool => BallId::CUE === $id || $id >= $ball, \ARRAY_FILTER_USE_KEY),
        );
    }

    /**
     * Balls that may be shot after one, on the table as it then is.
     *
     * @return list<int>
     */
    public static function after(Game $game, Layout $layout, int $ball): array
    {
        $then = self::layout($game, $layout, $ball)->without($ball);

        return $game->isOver($then) ? [] : $game->legalTargets($then);
    }
}
