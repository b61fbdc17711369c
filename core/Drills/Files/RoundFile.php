<?php

declare(strict_types=1);

namespace ZigLane\Core\Drills\Files;

use ZigLane\Core\Drills\Drill;
use ZigLane\Core\Drills\DrillText;
use ZigLane\Core\Drills\Round;
use ZigLane\Core\InvalidInput;
use ZigLane\Core\Logbook\LogbookFields;
use ZigLane\Core\Logbook\Session;
use ZigLane\Core\Rack\Files\Fields;

/**
 * Reads a round as a device sends it.
 */
final class RoundFile
{
    /** Points of one try at most. */
    private const MOST = 1000;

    private function __construct() {}

    /** @throws InvalidInput that names the path of the fault */
    public static function read(Fields $file): Round
    {
        $points = $file->raw('points');
        if (!\is_array($points) || !array_is_list($points) || [] === $points || \count($points) > Drill::MOST_TRIES) {
            throw new InvalidInput($file->path('points'), \sprintf('must be a list of 1 to %d numbers', Drill::MOST_TRIES));
        }
        $read = [];
        foreach ($points as $n => $value) {
            if (!\is_int($value) || $value < 0 || $value > self::MOST) {
                throw new InvalidInput($file->path('points') . "[$n]", \sprintf('must be a whole number from 0 to %d', self::MOST));
            }
            $read[] = $value;
        }
        $drill = $file->text('drill', null, 64);
        if (1 !== preg_match('/^[a-z0-9][a-z0-9-]*$/D', $drill)) {
            throw new InvalidInput($file->path('drill'), 'is no name of a drill');
        }

        return new Round(
            LogbookFields::key($file),
            $drill,
            $file->text('step', '', DrillText::NAME),
            $file->flag('test', true),
            LogbookFields::readTime($file, 'at'),
            $read,
            trim($file->text('player', '', Session::NAME)),
            trim($file->text('place', '', Session::NAME)),
            $file->whole('repeats', 0, 0, 100_000),
        );
    }
}
