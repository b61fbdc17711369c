<?php

declare(strict_types=1);

namespace ZigLane\Core\Shots;

/**
 * What one kind of shot looks like: where to point to find it, and how it is known.
 */
interface ShotPattern
{
    /**
     * Directions of the cue ball among which the shot is looked for, rad; null when plain geometry rules it out.
     *
     * @return array{float, float}|null
     */
    public function range(ShotTable $table): ?array;

    /** Whether it begins as it should: near enough for a closer look. */
    public function begins(Played $played): bool;

    /** Whether it went as it was meant to, the ball in its pocket. */
    public function isMade(Played $played): bool;
}
