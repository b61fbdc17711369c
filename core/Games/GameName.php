<?php

declare(strict_types=1);

namespace ZigLane\Core\Games;

enum GameName: string
{
    case EightBall = 'eight-ball';
    case NineBall = 'nine-ball';
    case TenBall = 'ten-ball';
    case StraightPool = 'straight-pool';

    /** Told apart in seeds: the same number of a break gives other racks in other games. */
    public function seed(): int
    {
        return match ($this) {
            self::NineBall => 9,
            self::TenBall => 10,
            self::EightBall => 8,
            self::StraightPool => 14,
        };
    }

    /**
     * The rules of that game.
     *
     * @param Group|null $group  the player's group in eight-ball; null while the table is open
     * @param bool|null  $called whether ball and pocket are called; null as is usual. Straight pool is always called
     */
    public function rules(?Group $group = null, ?bool $called = null): Game
    {
        return match ($this) {
            self::NineBall => new Rotation(9, $called ?? false, winsEarly: true),
            self::TenBall => new Rotation(10, $called ?? true, winsEarly: false),
            self::EightBall => new EightBall($group, $called ?? true),
            self::StraightPool => new StraightPool(),
        };
    }
}
