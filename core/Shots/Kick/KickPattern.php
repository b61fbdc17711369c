<?php

declare(strict_types=1);

namespace ZigLane\Core\Shots\Kick;

use ZigLane\Core\Equipment\BallId;
use ZigLane\Core\Shots\Played;
use ZigLane\Core\Shots\PottedStraight;
use ZigLane\Core\Shots\ShotPattern;
use ZigLane\Core\Shots\ShotTable;

/**
 * A kick: the cue ball goes off one to three cushions and sends the ball straight into its pocket.
 */
final readonly class KickPattern implements ShotPattern
{
    use PottedStraight;

    /** Speed and spin turn the cue ball by less than this from the mirror's line, rad, for each cushion. */
    private const ASIDE = 0.12;

    public function range(ShotTable $table): array
    {
        $ghost = $table->ball->toward($table->ball->angleTo($table->mouth), -$table->diameter);
        $way = $table->cue->angleTo($table->image($ghost));
        $aside = self::ASIDE * \count($table->intent->rails);

        return [$way - $aside, $way + $aside];
    }

    public function begins(Played $played): bool
    {
        return $played->firstHit() === $played->table->pot->ball
            && $played->rails(BallId::CUE, contacts: 0) === $played->table->intent->rails;
    }
}
