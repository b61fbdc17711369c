<?php

declare(strict_types=1);

namespace ZigLane\Core\Wording;

/**
 * Speeds by name, as paces: how far the cue ball alone would roll, in table lengths.
 */
final class SpeedScale
{
    /** Table lengths by name, rising (our own names). */
    public const NAMES = [
        'touch' => 0.3,
        'creep' => 0.6,
        'stroll' => 1.0,
        'walk' => 1.5,
        'lag' => 2.0,
        'jog' => 2.5,
        'trot' => 3.0,
        'run' => 4.0,
        'sprint' => 5.0,
        'charge' => 6.5,
    ];

    private function __construct() {}

    /** The name nearest to so many table lengths: speeds are told apart by their ratio. */
    public static function name(float $lengths): string
    {
        $best = 'touch';
        foreach (self::NAMES as $name => $far) {
            if (abs(log($far / max(0.01, $lengths))) < abs(log(self::NAMES[$best] / max(0.01, $lengths)))) {
                $best = $name;
            }
        }

        return $best;
    }
}
