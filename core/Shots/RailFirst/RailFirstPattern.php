<?php

declare(strict_types=1);

namespace ZigLane\Core\Shots\RailFirst;

use ZigLane\Core\Physics\EventType;
use ZigLane\Core\Shots\Kick\KickPattern;
use ZigLane\Core\Shots\Played;
use ZigLane\Core\Shots\PottedStraight;
use ZigLane\Core\Shots\ShotPattern;
use ZigLane\Core\Shots\ShotTable;

/**
 * Rail first: a kick whose cue ball meets the cushion right beside the ball, so that it comes off into the side of the ball that faces the
 * rail.
 */
final readonly class RailFirstPattern implements ShotPattern
{
    use PottedStraight;

    /** The cue ball meets the cushion less than this far from the ball, m: about a diamond of a nine-foot table. */
    private const BESIDE = 0.3;

    private KickPattern $kick;

    public function __construct()
    {
        $this->kick = new KickPattern();
    }

    public function range(ShotTable $table): array
    {
        return $this->kick->range($table);
    }

    public function begins(Played $played): bool
    {
        $rail = $played->meetsAt(EventType::BallCushion);

        return null !== $rail && $rail->distanceTo($played->table->ball) < self::BESIDE && $this->kick->begins($played);
    }
}
