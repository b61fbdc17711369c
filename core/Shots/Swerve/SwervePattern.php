<?php

declare(strict_types=1);

namespace ZigLane\Core\Shots\Swerve;

use ZigLane\Core\Physics\EventType;
use ZigLane\Core\Shots\Played;
use ZigLane\Core\Shots\PottedStraight;
use ZigLane\Core\Shots\ShotPattern;
use ZigLane\Core\Shots\ShotTable;

/**
 * A swerve or a massé: the cue ball curves round another ball, which stands on the straight line to where it hits, and sends the ball
 * straight into its pocket.
 */
final readonly class SwervePattern implements ShotPattern
{
    use PottedStraight;

    /** The cue ball sets out by less than this beside the ball, rad. */
    private const ASIDE = 0.7;

    public function range(ShotTable $table): array
    {
        $way = $table->cue->angleTo($table->ball);

        return [$way - self::ASIDE, $way + self::ASIDE];
    }

    public function begins(Played $played): bool
    {
        $table = $played->table;
        $other = (int) $table->intent->other;
        $hit = $played->meetsAt(EventType::BallBall);

        return null !== $hit
            && $played->firstHit() === $table->pot->ball
            && $played->isDirect()
            && $table->layout->ball($other)->distanceToLine($table->cue, $hit) < $table->diameter
            && !$played->flewOver($other);
    }
}
