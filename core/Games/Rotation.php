<?php

declare(strict_types=1);

namespace ZigLane\Core\Games;

use ZigLane\Core\Physics\Layout;
use ZigLane\Core\Physics\ShotResult;

/**
 * Nine-ball and ten-ball: the lowest ball on the table is struck first, and the highest ends the rack.
 */
final readonly class Rotation implements Game
{
    use CommonFouls;

    public function __construct(private GameName $game, private int $money) {}

    public function name(): GameName
    {
        return $this->game;
    }

    public function rack(): array
    {
        return range(1, $this->money);
    }

    public function legalTargets(Layout $layout): array
    {
        return \array_slice($layout->objectBalls(), 0, 1);
    }

    public function judge(Layout $before, ShotResult $result): Verdict
    {
        [$foul, $why] = $this->foul($before, $result);

        return new Verdict($foul, $why, null === $foul && isset($result->pocketed[$this->money]));
    }

    public function isOver(Layout $layout): bool
    {
        return !$layout->has($this->money);
    }
}
