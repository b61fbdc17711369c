<?php

declare(strict_types=1);

namespace ZigLane\Core\Shots\Kiss;

use ZigLane\Core\Equipment\BallId;
use ZigLane\Core\Geometry\Angle;
use ZigLane\Core\Shots\Played;
use ZigLane\Core\Shots\ShotPattern;
use ZigLane\Core\Shots\ShotTable;

/**
 * A kiss: the cue ball sends the ball into another, off which it goes into its pocket.
 */
final readonly class KissPattern implements ShotPattern
{
    /** A ball that goes off another is turned aside by more than this only when it hardly goes on, rad. */
    private const FURTHEST = 1.9;

    public function range(ShotTable $table): ?array
    {
        $other = $table->layout->ball((int) $table->intent->other);
        $turned = abs(Angle::wrap($other->angleTo($table->mouth) - $table->ball->angleTo($other)));

        return $turned < self::FURTHEST ? $table->hitting($table->ball) : null;
    }

    public function begins(Played $played): bool
    {
        $ball = $played->table->pot->ball;

        return $played->firstHit() === $ball
            && $played->isDirect()
            && [BallId::CUE, $played->table->intent->other] === \array_slice($played->contacts($ball), 0, 2)
            && [] === $played->rails($ball, contacts: 1);
    }

    public function isMade(Played $played): bool
    {
        $ball = $played->table->pot->ball;

        return $played->isPotted()
            && $this->begins($played)
            && 2 === \count($played->contacts($ball))
            && [] === $played->rails($ball, contacts: 2);
    }
}
