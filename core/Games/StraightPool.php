<?php

declare(strict_types=1);

namespace ZigLane\Core\Games;

use ZigLane\Core\Equipment\BallId;
use ZigLane\Core\Equipment\Pocket;
use ZigLane\Core\Numerics\Generator;
use ZigLane\Core\Physics\Layout;
use ZigLane\Core\Physics\ShotResult;

/**
 * Straight pool: any ball, any order; the rack is over when one ball, the break ball, is left.
 */
final readonly class StraightPool implements Game
{
    use CommonFouls;
    use WithoutGroups;
    /** Fouls in a row, and what the last of them costs beside itself. */
    private const IN_A_ROW = 3;
    private const THIRD = 15;

    public function rack(): array
    {
        return range(1, 15);
    }

    public function rackRows(): array
    {
        return [1, 2, 3, 4, 5];
    }

    public function rackOrder(Generator $random): array
    {
        return $random->shuffled(range(1, 15));
    }

    public function hasFixedOrder(): bool
    {
        return false;
    }

    public function ownBalls(Layout $layout): array
    {
        return $layout->objectBalls();
    }

    public function lastBall(Layout $layout): ?int
    {
        return null;
    }

    public function endsWithBreakShot(): bool
    {
        return true;
    }

    public function isCalled(): bool
    {
        return true;
    }

    public function countsAsMade(?int $ball, ?Pocket $pocket, ShotResult $result): bool
    {
        return null !== $ball && ($result->pocketed[$ball] ?? null) === $pocket;
    }

    public function losesByFouls(): bool
    {
        return false;
    }

    /** WPA rules, from memory: the third in a row costs 15 more. */
    public function pointsLostByFoul(int $before = 0): int
    {
        return $before >= self::IN_A_ROW - 1 ? 1 + self::THIRD : 1;
    }

    public function countsFouls(): bool
    {
        return true;
    }

    public function losesOtherwise(): bool
    {
        return false;
    }

    public function spoilsBreak(int $ball): bool
    {
        return false;
    }

    public function legalTargets(Layout $layout): array
    {
        return $layout->objectBalls();
    }

    public function judge(Layout $before, ShotResult $result): Verdict
    {
        $foul = $this->foul($before, $result);

        return new Verdict($foul, null === $foul && $this->isOver($result->final));
    }

    /** All that fell on a foul, or left the table. */
    public function spotted(Layout $before, ShotResult $result): array
    {
        if (null === $this->foul($before, $result)) {
            return [];
        }
        $balls = array_values(array_diff([...array_keys($result->pocketed), ...$result->offTable], [BallId::CUE]));
        sort($balls);

        return $balls;
    }

    public function winsByFalling(Layout $before): bool
    {
        return true;
    }

    public function isOver(Layout $layout): bool
    {
        return \count($layout->objectBalls()) <= 1;
    }
}
