<?php

declare(strict_types=1);

namespace ZigLane\Core\Logbook;

use ZigLane\Core\Physics\Tip;

/**
 * Where the cue ball is struck, coarsely: what attempts are counted by.
 */
enum Spin: string
{
    case Centre = 'centre';
    case Follow = 'follow';
    case Draw = 'draw';
    case Side = 'side';
    case FollowSide = 'follow with side';
    case DrawSide = 'draw with side';

    /** Nearer to the middle than this is the middle, ball radii: about half a tip (our own choice). */
    private const MIDDLE = 0.11;

    /** The kind of spin that a tip's place gives. */
    public static function of(Tip $tip): self
    {
        $side = abs($tip->side) > self::MIDDLE;

        return match (true) {
            $tip->height > self::MIDDLE => $side ? self::FollowSide : self::Follow,
            $tip->height < -self::MIDDLE => $side ? self::DrawSide : self::Draw,
            default => $side ? self::Side : self::Centre,
        };
    }
}
