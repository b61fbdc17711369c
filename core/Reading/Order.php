<?php

declare(strict_types=1);

namespace ZigLane\Core\Reading;

use ZigLane\Core\Games\Game;
use ZigLane\Core\Games\GameName;
use ZigLane\Core\Physics\Layout;

/**
 * Which balls a player has to pocket, and whether their order is fixed.
 */
final class Order
{
    private const EIGHT = 8;

    private function __construct() {}

    public static function isFixed(Game $game): bool
    {
        return GameName::NineBall === $game->name() || GameName::TenBall === $game->name();
    }

    /**
     * @return list<int> ascending; in eight-ball the own group and the eight, on an open table every ball
     */
    public static function own(Game $game, Layout $layout): array
    {
        if (self::isFixed($game)) {
            return $layout->objectBalls();
        }
        $own = $game->legalTargets($layout);
        if (GameName::EightBall === $game->name() && $layout->has(self::EIGHT) && !\in_array(self::EIGHT, $own, true)) {
            $own[] = self::EIGHT;
            sort($own);
        }

        return $own;
    }

    /** The ball that ends the rack; null in straight pool. */
    public static function last(Game $game, Layout $layout): ?int
    {
        $balls = $layout->objectBalls();

        return match ($game->name()) {
            GameName::EightBall => $layout->has(self::EIGHT) ? self::EIGHT : null,
            GameName::StraightPool => null,
            default => [] === $balls ? null : max($balls),
        };
    }
}
