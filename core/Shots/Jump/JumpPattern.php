<?php

declare(strict_types=1);

namespace ZigLane\Core\Shots\Jump;

use ZigLane\Core\Shots\Played;
use ZigLane\Core\Shots\PottedStraight;
use ZigLane\Core\Shots\ShotPattern;
use ZigLane\Core\Shots\ShotTable;

/**
 * A jump: the cue ball flies over another ball and sends the ball straight into its pocket.
 */
final readonly class JumpPattern implements ShotPattern
{
    use PottedStraight;

    public function range(ShotTable $table): array
    {
        return $table->hitting($table->ball);
    }

    public function begins(Played $played): bool
    {
        return $played->firstHit() === $played->table->pot->ball
            && $played->isDirect()
            && $played->flewOver((int) $played->table->intent->other);
    }
}
