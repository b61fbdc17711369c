<?php

declare(strict_types=1);

namespace ZigLane\Core\Rack;

use ZigLane\Core\Aiming\Pot;
use ZigLane\Core\Equipment\Pocket;
use ZigLane\Core\Physics\Speed;
use ZigLane\Core\Physics\Tip;
use ZigLane\Core\Shots\Intent;

/**
 * A shot as a file or a player states it: either a direction, or a ball and a pocket for which the aim is solved.
 */
final readonly class ShotSpec
{
    /**
     * @param float|null           $aimDeg  degrees from +x toward +y; null when ball and pocket are named instead
     * @param float                $offset  part of the usable mouth, −1 … 1
     * @param float                $elevationDeg 0–85
     * @param Intent               $intent  how the ball is meant to get into the pocket
     * @param array<string, mixed> $unknown keys of the file that this version does not know, kept
     */
    public function __construct(
        public ?float $aimDeg,
        public ?int $ball,
        public ?Pocket $pocket,
        public float $offset,
        public Speed $speed,
        public Tip $tip = new Tip(),
        public float $elevationDeg = 0.0,
        public Intent $intent = new Intent(),
        public array $unknown = [],
    ) {}

    /** A shot that sends a ball into a pocket; the aim is solved when it is played. */
    public static function toPocket(
        Pot $pot,
        Speed $speed,
        Tip $tip = new Tip(),
        float $offset = 0.0,
        float $elevationDeg = 0.0,
    ): self {
        return new self(null, $pot->ball, $pot->pocket, $offset, $speed, $tip, $elevationDeg);
    }
}
