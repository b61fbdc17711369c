<?php

declare(strict_types=1);

namespace ZigLane\Core\Player;

use ZigLane\Core\Physics\AimedStroke;
use ZigLane\Core\Physics\Shot;
use ZigLane\Core\Physics\Stroke;
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
     * The errors of one stroke of a player.
     *
     * @param float $elevation  rad
     * @param float $cueSpeed   m/s
     * @param float $ballRadius m
     */
    public static function errors(
        Player $player,
        float $elevation,
        float $cueSpeed,
        Stance $stance,
        float $ballRadius = Defaults::BALL_RADIUS,
    ): ExecutionError {
        $times = (1.0 + Defaults::ERROR_PER_DEGREE * rad2deg($elevation))
            * (1.0 + Defaults::ERROR_PER_SPEED * max(0.0, $cueSpeed - Defaults::QUIET_SPEED))
            * $stance->times;

        return new ExecutionError($player->aim * $times, $player->speed * $stance->times, $player->tip * $times / $ballRadius);
    }

    /** The stroke as it is executed. The tip may lie beyond the miscue limit: then it slips. */
    public static function stroke(ExecutionError $error, ErrorSample $sample, AimedStroke $meant): AimedStroke
    {
        $stroke = $meant->stroke;

        return new AimedStroke($meant->aim + $error->aim * $sample->aim, new Stroke(
            min(Defaults::MAX_CUE_SPEED, $stroke->speed * max(self::SLOWEST, 1.0 + $error->speed * $sample->speed)),
            $stroke->side + $error->tip * $sample->side,
            $stroke->height + $error->tip * $sample->height,
            $stroke->elevation,
        ));
    }

    /** The shot as it is executed, a miscue included. */
    public static function shot(ExecutionError $error, ErrorSample $sample, Shot $meant): Shot
    {
        $played = self::stroke($error, $sample, $meant->stroke());
        $aim = $played->aim;
        $side = $played->stroke->side;
        $height = $played->stroke->height;
        $far = hypot($side, $height);
        if ($far > Defaults::MISCUE_LIMIT) {
            $aim += self::SLIP;
            $side *= Defaults::MISCUE_LIMIT / $far;
            $height *= Defaults::MISCUE_LIMIT / $far;
        }

        return new Shot($aim, $played->stroke->speed, new Tip($side, $height), $meant->elevation);
    }
}
