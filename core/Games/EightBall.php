<?php

declare(strict_types=1);

namespace ZigLane\Core\Games;

use ZigLane\Core\Physics\Layout;
use ZigLane\Core\Physics\ShotResult;

/**
 * Eight-ball: the group in any order, then the eight. On an open table any ball but the eight.
 */
final readonly class EightBall implements Game
{
    use CommonFouls;

    private const EIGHT = 8;

    public function __construct(private ?Group $group) {}

    public function name(): GameName
    {
        return GameName::EightBall;
    }

    public function rack(): array
    {
        return range(1, 15);
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
        [$foul, $why] = $this->foul($before, $result);
        $eight = isset($result->pocketed[self::EIGHT]);
        $won = $eight && null === $foul && [self::EIGHT] === $this->legalTargets($before);

        return new Verdict($foul, $why, $won, $eight && !$won);
    }

    public function isOver(Layout $layout): bool
    {
        return !$layout->has(self::EIGHT);
    }
}
