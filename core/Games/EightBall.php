<?php

declare(strict_types=1);

namespace ZigLane\Core\Games;

use ZigLane\Core\Equipment\BallId;
use ZigLane\Core\Equipment\Pocket;
use ZigLane\Core\Numerics\Generator;
use ZigLane\Core\Physics\Layout;
use ZigLane\Core\Physics\ShotResult;

/**
 * Eight-ball: the group in any order, then the eight. On an open table any ball but the eight.
 */
final readonly class EightBall implements Game
{
    use CommonFouls;

    private const EIGHT = 8;

    /** @param bool $called whether ball and pocket are called; the eight always is */
    public function __construct(private ?Group $group, private bool $called) {}

    public function rack(): array
    {
        return range(1, 15);
    }

    public function rackRows(): array
    {
        return [1, 2, 3, 4, 5];
    }

    /** The eight in the middle and one of each group in the far corners (WPA rules, from memory). */
    public function rackOrder(Generator $random): array
    {
        $corners = $random->shuffled([$random->integer(1, 7), $random->integer(9, 15)]);
        $order = $random->shuffled(array_values(array_diff(range(1, 15), [self::EIGHT], $corners)));
        // Fifth is the middle of the third row; eleventh and fifteenth are the far corners.
        array_splice($order, 4, 0, [self::EIGHT]);
        array_splice($order, 10, 0, [$corners[0]]);
        array_splice($order, 14, 0, [$corners[1]]);

        return $order;
    }

    public function hasFixedOrder(): bool
    {
        return false;
    }

    public function ownBalls(Layout $layout): array
    {
        $own = $this->legalTargets($layout);
        if ($layout->has(self::EIGHT) && !\in_array(self::EIGHT, $own, true)) {
            $own[] = self::EIGHT;
            sort($own);
        }

        return $own;
    }

    public function lastBall(Layout $layout): ?int
    {
        return $layout->has(self::EIGHT) ? self::EIGHT : null;
    }

    public function endsWithBreakShot(): bool
    {
        return false;
    }

    public function isTableOpen(): bool
    {
        return null === $this->group;
    }

    public function groupTakenWith(int $ball): Group
    {
        return Group::Solids->owns($ball) ? Group::Solids : Group::Stripes;
    }

    public function hasObstacles(): bool
    {
        return true;
    }

    public function isCalled(): bool
    {
        return $this->called;
    }

    public function countsAsMade(?int $ball, ?Pocket $pocket, ShotResult $result): bool
    {
        if (!$this->called && self::EIGHT !== $ball) {
            $others = array_diff(array_keys($result->pocketed), [BallId::CUE, self::EIGHT]);
            $group = $this->group;

            return [] !== array_filter($others, static fn(int $one): bool => null === $group || $group->owns($one));
        }

        return null !== $ball && ($result->pocketed[$ball] ?? null) === $pocket;
    }

    public function losesByFouls(): bool
    {
        return false;
    }

    public function pointsLostByFoul(int $before = 0): int
    {
        return 0;
    }

    public function countsFouls(): bool
    {
        return false;
    }

    public function losesOtherwise(): bool
    {
        return true;
    }

    public function spoilsBreak(int $ball): bool
    {
        return self::EIGHT === $ball;
    }

    public function legalTargets(Layout $layout): array
    {
        $balls = $layout->objectBalls();
        $group = $this->group;
        $own = array_values(array_filter(
            $balls,
            static fn(int $b): bool => self::EIGHT !== $b && (null === $group || $group->owns($b)),
        ));
        if ([] === $own && $layout->has(self::EIGHT)) {
            return [self::EIGHT];
        }

        return $own;
    }

    public function judge(Layout $before, ShotResult $result): Verdict
    {
        $foul = $this->foul($before, $result);
        $eight = $result->isGone(self::EIGHT);
        $won = $eight && null === $foul && $this->winsByFalling($before);

        return new Verdict($foul, $won, $eight && !$won);
    }

    /** None: the eight ends the rack, and the others stay down. */
    public function spotted(Layout $before, ShotResult $result): array
    {
        return [];
    }

    public function winsByFalling(Layout $before): bool
    {
        return [self::EIGHT] === $this->legalTargets($before);
    }

    public function isOver(Layout $layout): bool
    {
        return !$layout->has(self::EIGHT);
    }
}
