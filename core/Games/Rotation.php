<?php

declare(strict_types=1);

namespace ZigLane\Core\Games;

use ZigLane\Core\Equipment\BallId;
use ZigLane\Core\Equipment\Pocket;
use ZigLane\Core\Numerics\Generator;
use ZigLane\Core\Physics\Layout;
use ZigLane\Core\Physics\ShotResult;

/**
 * Nine-ball and ten-ball: the lowest ball on the table is struck first, and the highest ends the rack.
 */
final readonly class Rotation implements Game
{
    use CommonFouls;
    use WithoutGroups;

    /**
     * @param int  $money     the ball that wins
     * @param bool $called    whether ball and pocket are called
     * @param bool $winsEarly whether the money ball wins before the others are gone
     */
    public function __construct(private int $money, private bool $called, private bool $winsEarly) {}

    public function rack(): array
    {
        return range(1, $this->money);
    }

    public function rackRows(): array
    {
        return 9 === $this->money ? [1, 2, 3, 2, 1] : [1, 2, 3, 4];
    }

    /** The 1 at the apex and the money ball in the middle, which is the fifth place of both racks (WPA rules, from memory). */
    public function rackOrder(Generator $random): array
    {
        $rest = $random->shuffled(range(2, $this->money - 1));
        array_splice($rest, 3, 0, [$this->money]);

        return [1, ...$rest];
    }

    public function hasFixedOrder(): bool
    {
        return true;
    }

    public function ownBalls(Layout $layout): array
    {
        return $layout->objectBalls();
    }

    public function lastBall(Layout $layout): ?int
    {
        $balls = $layout->objectBalls();

        return [] === $balls ? null : max($balls);
    }

    public function endsWithBreakShot(): bool
    {
        return false;
    }

    public function isCalled(): bool
    {
        return $this->called;
    }

    /** Where nothing is called any ball will do. */
    public function countsAsMade(?int $ball, ?Pocket $pocket, ShotResult $result): bool
    {
        if (!$this->called) {
            return [] !== array_diff(array_keys($result->pocketed), [BallId::CUE]);
        }

        return null !== $ball && ($result->pocketed[$ball] ?? null) === $pocket;
    }

    /** WPA rules, from memory. */
    public function losesByFouls(): bool
    {
        return true;
    }

    public function pointsLostByFoul(int $before = 0): int
    {
        return 0;
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
        return $this->money === $ball;
    }

    public function legalTargets(Layout $layout): array
    {
        return \array_slice($layout->objectBalls(), 0, 1);
    }

    public function judge(Layout $before, ShotResult $result): Verdict
    {
        $foul = $this->foul($before, $result);

        return new Verdict($foul, null === $foul && isset($result->pocketed[$this->money]) && $this->winsByFalling($before));
    }

    /** The money ball, when it has not won. */
    public function spotted(Layout $before, ShotResult $result): array
    {
        return $result->isGone($this->money) && !$this->judge($before, $result)->won ? [$this->money] : [];
    }

    /** In ten-ball only as the last ball: earlier it is spotted (WPA rules of ten-ball, from memory). */
    public function winsByFalling(Layout $before): bool
    {
        return $this->winsEarly || [$this->money] === $this->legalTargets($before);
    }

    public function isOver(Layout $layout): bool
    {
        return !$layout->has($this->money);
    }
}
