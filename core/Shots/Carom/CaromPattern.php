<?php

declare(strict_types=1);

namespace ZigLane\Core\Shots\Carom;

use ZigLane\Core\Equipment\BallId;
use ZigLane\Core\Shots\Played;
use ZigLane\Core\Shots\PottedStraight;
use ZigLane\Core\Shots\ShotPattern;
use ZigLane\Core\Shots\ShotTable;

/**
 * A carom: the cue ball goes off another ball into the one that is to be potted.
 */
final readonly class CaromPattern implements ShotPattern
{
    use PottedStraight;

    public function range(ShotTable $table): ?array
    {
        return $table->sends($table->first(), $table->ball, $table->mouth) ? $table->hitting($table->first()) : null;
    }

    public function begins(Played $played): bool
    {
        return $played->isDirect()
            && [] === $played->rails(BallId::CUE, contacts: 1)
            && [$played->table->intent->other, $played->table->pot->ball] === \array_slice($played->contacts(BallId::CUE), 0, 2)
            && BallId::CUE === ($played->contacts($played->table->pot->ball)[0] ?? null);
    }
}
