<?php

declare(strict_types=1);

namespace ZigLane\Core\Player;

use ZigLane\Core\InvalidInput;
use ZigLane\Core\Settings\Defaults;

/**
 * How exactly one player executes a shot: standard deviations of normal, independent errors of a comfortable stroke.
 */
final readonly class Player
{
    /**
     * @param Level       $level the preset, or the nearest by common opinion when the numbers are the player's own
     * @param float       $aim   direction of the cue, rad
     * @param float       $speed cue speed, as a share of it
     * @param float       $tip   place of the tip, in each direction, m
     * @param float       $reach from the table's edge to the bridge hand without stretching, m
     * @param string|null $name  of the player profile; null for a preset
     *
     * @throws InvalidInput when a number is beyond any person
     */
    public function __construct(
        public Level $level,
        public float $aim,
        public float $speed,
        public float $tip,
        public Hand $hand = Hand::Right,
        public float $reach = Defaults::REACH,
        public ?string $name = null,
    ) {
        foreach ([
            ['aimDeg', rad2deg($aim), 0.0, 5.0, 'degrees'],
            ['speedPercent', $speed * 100, 0.0, 60.0, '%'],
            ['tipMm', $tip * 1000, 0.0, 10.0, 'mm'],
            ['reachCm', $reach * 100, 40.0, 140.0, 'cm'],
        ] as [$what, $value, $low, $high, $unit]) {
            if (!is_finite($value) || $value < $low - 1e-9 || $value > $high + 1e-9) {
                throw new InvalidInput($what, \sprintf('%s is outside %s–%s %s', round($value, 3), $low, $high, $unit));
            }
        }
    }

    /** The preset of a level. */
    public static function of(Level $level): self
    {
        return new self(
            $level,
            deg2rad(Defaults::LEVEL_AIM_DEG[$level->value]),
            Defaults::LEVEL_SPEED[$level->value],
            Defaults::LEVEL_TIP[$level->value],
        );
    }

    /** The same player with another error of aim, rad. */
    public function withAim(float $aim): self
    {
        return new self($this->level, $aim, $this->speed, $this->tip, $this->hand, $this->reach, $this->name);
    }

    /** The same player under another name; null for none. */
    public function named(?string $name): self
    {
        return new self($this->level, $this->aim, $this->speed, $this->tip, $this->hand, $this->reach, $name);
    }

    /** Whether every number is the level's own. */
    public function isPreset(): bool
    {
        return $this->playsLike(self::of($this->level));
    }

    /** Whether the other errs by as much. */
    public function playsLike(self $other): bool
    {
        return [$this->aim, $this->speed, $this->tip] === [$other->aim, $other->speed, $other->tip];
    }
}
