<?php

declare(strict_types=1);

namespace ZigLane\Core\Games;

use ZigLane\Core\Physics\Layout;
use ZigLane\Core\Physics\ShotResult;

/**
 * Straight pool: any ball, any order; the rack is over when one ball, the break ball, is left.
 */
final readonly class StraightPool implements Game
{
    use CommonFouls;

    public function name(): GameName
    {
        return GameName::StraightPool;
    }

    public function rack(): array
    {
        return range(1, 15);
    }

    public function legalTargets(Layout $layout): array
    {
        return $layout->objectBalls();
    }

    public function judge(Layout $before, ShotResult $result): Verdict
    {
        [$foul, $why] = $this->foul($before, $result);

        return new Verdict($foul, $why, null === $foul && $this->isOver($result->final));
    }

    public function isOver(Layout $layout): bool
    {
        return \count($layout->objectBalls()) <= 1;
    }
}
