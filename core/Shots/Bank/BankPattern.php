<?php

declare(strict_types=1);

namespace ZigLane\Core\Shots\Bank;

use ZigLane\Core\Equipment\BallId;
use ZigLane\Core\Geometry\Angle;
use ZigLane\Core\Shots\Played;
use ZigLane\Core\Shots\ShotPattern;
use ZigLane\Core\Shots\ShotTable;

/**
 * A bank: the cue ball hits the ball straight, and that goes off one cushion or two into its pocket.
 */
final readonly class BankPattern implements ShotPattern
{
    /** Speed, throw and spin turn the ball by less than this from the mirror's line, rad. */
    private const ASIDE = 0.35;

    /** A thinner cut is no bank, rad. */
    private const THINNEST = 1.4;

    public function range(ShotTable $table): ?array
    {
        $toward = $table->ball->angleTo($table->image($table->mouth));
        [$low, $high] = $table->hitting($table->ball);
        $ways = [];
        foreach ([-1, 0, 1] as $step) {
            $direction = $toward + $step * self::ASIDE;
            $ghost = $table->ball->toward($direction, -$table->diameter);
            if (abs(Angle::wrap($direction - $table->cue->angleTo($ghost))) < self::THINNEST) {
                $ways[] = $low + Angle::wrap($table->cue->angleTo($ghost) - $low);
            }
        }
        if ([] === $ways) {
            return null;
        }

        return [\count($ways) < 3 ? $low : max($low, min($ways)), \count($ways) < 3 ? $high : min($high, max($ways))];
    }

    public function begins(Played $played): bool
    {
        $ball = $played->table->pot->ball;
        $rails = $played->table->intent->rails;

        return $played->firstHit() === $ball
            && $played->isDirect()
            && \array_slice($played->rails($ball, contacts: 1), 0, \count($rails)) === $rails;
    }

    public function isMade(Played $played): bool
    {
        $ball = $played->table->pot->ball;

        return $played->isPotted()
            && $this->begins($played)
            && [BallId::CUE] === $played->contacts($ball)
            && $played->rails($ball, contacts: 1) === $played->table->intent->rails;
    }
}
