<?php

declare(strict_types=1);

namespace ZigLane\Core\Player;

use ZigLane\Core\Physics\Shot;
use ZigLane\Core\Physics\Tip;
use ZigLane\Core\Settings\Defaults;

/**
 * The one place where a player's error is put on a stroke.
 *
 * Errors of aim, speed, tip side and tip height are independent and normal. No stroke is slower than a twentieth of what was meant, nor
 * faster than a person can swing.
 */
final class Execution
{
    private const SLOWEST = 0.05;

    /** Where the tip slips off, the ball is hit at the miscue limit and goes so far off its line, rad (our own choice). */
    private const SLIP = 0.2;

    private function __construct() {}

    /**
     * The stroke as it is executed, on plain floats. The tip may lie beyond the miscue limit: then it slips.
     *
     * @param array{float, float, float, float} $sample standard normal: aim, speed, tip side, tip height
     * @param float                             $aim    rad
     * @param float                             $speed  of the cue, m/s
     * @param float                             $side   of the tip, ball radii
     * @param float                             $height of the tip, ball radii
     *
     * @return array{float, float, float, float} aim, speed, tip side, tip height
     */
    public static function stroke(ExecutionError $error, array $sample, float $aim, float $speed, float $side, float $height): array
    {
        return [
            $aim + $error->aim * $sample[0],
            min(Defaults::MAX_CUE_SPEED, $speed * max(self::SLOWEST, 1.0 + $error->speed * $sample[1])),
            $side + $error->tip * $sample[2],
            $height + $error->tip * $sample[3],
        ];
    }

    /**
     * The shot as it is executed, a miscue included.
     *
     * @param array{float, float, float, float} $sample standard normal: aim, speed, tip side, tip height
     */
    public static function shot(ExecutionError $error, array $sample, Shot $meant): Shot
    {
        [$aim, $speed, $side, $height] = self::stroke($error, $sample, $meant->aim, $meant->speed, $meant->tip->side, $meant->tip->height);
        $far = hypot($side, $height);
        if ($far > Defaults::MISCUE_LIMIT) {
            $aim += self::SLIP;
            $side *= Defaults::MISCUE_LIMIT / $far;
            $height *= Defaults::MISCUE_LIMIT / $far;
        }

        return new Shot($aim, $speed, new Tip($side, $height), $meant->elevation);
    }
}
