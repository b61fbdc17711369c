<?php

declare(strict_types=1);

namespace ZigLane\App\View;

use ZigLane\Core\Aiming\AimRefused;
use ZigLane\Core\Equipment\BallId;
use ZigLane\Core\InvalidInput;
use ZigLane\Core\Physics\TableLengths;
use ZigLane\Core\Physics\Tip;
use ZigLane\Core\Rack\Rack;
use ZigLane\Core\Rack\ShotSpec;
use ZigLane\Core\Rack\StatedShot;

/**
 * A stroke on a printed sheet: the tip, the pace, and the cue ball's way when it goes as meant.
 */
final readonly class SheetWay
{
    /**
     * @param string                         $way  of the cue ball, mm; '' where it cannot be played
     * @param string                         $pot  of the ball that is meant
     * @param array{x: float, y: float}|null $stop of the cue ball
     * @param string                         $name of the way; '' for the first
     */
    private function __construct(
        public Tip $tip,
        public string $pace,
        public string $way,
        public string $pot,
        public ?array $stop,
        public string $name,
    ) {}

    /** @param Rack $rack as the shot finds it */
    public static function of(Rack $rack, ShotSpec $shot, Reader $reader, string $name = ''): self
    {
        $far = $shot->speed->inLengths(new TableLengths($rack->simulator()));
        try {
            $result = StatedShot::play($rack->simulator(), $shot, $rack->layout)->result;
        } catch (AimRefused|InvalidInput) {
            // The spots are worth printing without it.
            $result = null;
        }
        $stop = $result?->final->balls[BallId::CUE] ?? null;

        return new self(
            $shot->tip,
            \sprintf('%s, %.1f lengths', $reader->paces->name($far), $far),
            null === $result ? '' : Svg::path($result->paths[BallId::CUE] ?? []),
            null === $result || null === $shot->ball ? '' : Svg::path($result->paths[$shot->ball] ?? []),
            null === $stop ? null : Svg::place($stop),
            $name,
        );
    }
}
