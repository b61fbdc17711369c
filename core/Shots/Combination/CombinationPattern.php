<?php

declare(strict_types=1);

namespace ZigLane\Core\Shots\Combination;

use ZigLane\Core\Equipment\BallId;
use ZigLane\Core\Shots\Played;
use ZigLane\Core\Shots\ShotPattern;
use ZigLane\Core\Shots\ShotTable;

/**
 * A combination: the cue ball sends another ball into the one that is to be potted.
 */
final readonly class CombinationPattern implements ShotPattern
{
    public function range(ShotTable $table): array
    {
        return $table->hitting($table->first());
    }

    public function begins(Played $played): bool
    {
        $other = $played->table->intent->first($played->table->pot->ball);

        return $played->firstHit() === $other
            && [] === $played->rails(BallId::CUE, contacts: 0)
            && $other === ($played->contacts($played->table->pot->ball)[0] ?? null)
            && $this->goesStraight($played, $other);
    }

    public function isMade(Played $played): bool
    {
        return $played->isPottedStraight() && $this->begins($played);
    }

    /** Whether the ball that is hit first goes from the cue ball to the other. */
    private function goesStraight(Played $played, int $other): bool
    {
        return [BallId::CUE, $played->table->pot->ball] === \array_slice($played->contacts($other), 0, 2)
            && [] === $played->rails($other, contacts: 1);
    }
}
