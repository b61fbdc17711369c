<?php

declare(strict_types=1);

namespace ZigLane\Core\Decision;

use ZigLane\Core\Aiming\Pot;
use ZigLane\Core\Physics\AimedStroke;
use ZigLane\Core\Physics\Speed;
use ZigLane\Core\Physics\Tip;
use ZigLane\Core\Rack\ShotSpec;
use ZigLane\Core\Shots\Intent;
use ZigLane\Core\Shots\ShotKind;

/**
 * A stroke that was tried.
 */
final readonly class Tried
{
    /** Digits behind the point: of a direction and an elevation (degrees), a speed (m/s), a tip (radii). */
    private const AIM = 5;
    private const ELEVATION = 2;
    private const SPEED = 4;
    private const TIP = 4;

    /** @param Pot|null $call what is called; null for a safety */
    public function __construct(
        public AimedStroke $stroke,
        public ?Pot $call,
        public StrokeChances $chances = new StrokeChances(),
    ) {}

    /** Chance to win the rack, 0–1. */
    public function win(): float
    {
        return $this->chances->win;
    }

    /** As a leg, by its bare direction: that is what was judged. */
    public function spec(): ShotSpec
    {
        $stroke = $this->stroke->stroke;

        return new ShotSpec(
            round(fmod(rad2deg($this->stroke->aim) + 720.0, 360.0), self::AIM),
            null,
            null,
            0.0,
            Speed::metresPerSecond(round($stroke->speed, self::SPEED)),
            new Tip(round($stroke->side, self::TIP), round($stroke->height, self::TIP)),
            round(rad2deg($stroke->elevation), self::ELEVATION),
            new Intent(OptionKind::Safe === $this->chances->kind() ? ShotKind::Safety : ShotKind::Pot),
        );
    }

    /** The same with another chance to win the rack. */
    public function winning(float $win): self
    {
        return new self($this->stroke, $this->call, $this->chances->winning($win));
    }

    /**
     * @param list<self> $tried
     *
     * @return list<self> the best first
     */
    public static function ranked(array $tried): array
    {
        usort($tried, static fn(self $one, self $two): int => $two->chances->win <=> $one->chances->win);

        return $tried;
    }
}
