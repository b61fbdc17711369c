<?php

declare(strict_types=1);

namespace ZigLane\Core\Games;

/**
 * A player's balls in eight-ball.
 */
enum Group: string
{
    case Solids = 'solids';
    case Stripes = 'stripes';

    /** The other player's group. */
    public function other(): self
    {
        return self::Solids === $this ? self::Stripes : self::Solids;
    }

    /** Whether a ball belongs to it; the eight to neither. */
    public function owns(int $ball): bool
    {
        return self::Solids === $this ? $ball >= 1 && $ball <= 7 : $ball >= 9 && $ball <= 15;
    }
}
