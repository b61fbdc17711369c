<?php

declare(strict_types=1);

namespace ZigLane\App\View;

use ZigLane\Core\Equipment\BallId;
use ZigLane\Core\Line\LegOutcome;
use ZigLane\Core\Line\LinePlayer;
use ZigLane\Core\Rack\Rack;

/**
 * What a list shows of a rack's legs: the ways of the cue ball, to the millimetre. Kept with each state of a rack, since playing
 * the line takes long.
 */
final class SmallDrawing
{
    private function __construct() {}

    /** JSON: one SVG path a leg. */
    public static function encode(Rack $rack): string
    {
        $ways = [] === $rack->legs ? [] : array_map(
            static fn(LegOutcome $leg): string => Svg::path($leg->result->paths[BallId::CUE] ?? [], 0),
            LinePlayer::for($rack)->play($rack),
        );

        return json_encode($ways, \JSON_THROW_ON_ERROR);
    }

    /**
     * @return list<string>|null null when it cannot be read
     */
    public static function decode(string $drawing): ?array
    {
        $ways = json_decode($drawing, true);

        return \is_array($ways) && array_is_list($ways) ? array_values(array_filter($ways, is_string(...))) : null;
    }
}
