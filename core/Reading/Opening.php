<?php

declare(strict_types=1);

namespace ZigLane\Core\Reading;

use ZigLane\Core\Equipment\Pocket;
use ZigLane\Core\Settings\Defaults;

/**
 * How one ball goes in one pocket, at an easy pace, among the others.
 */
final readonly class Opening
{
    /**
     * @param float     $free     directions in which it drops, together, rad
     * @param float     $open     the same were it alone on the table, rad; 0 when the angle closes the pocket
     * @param list<int> $blockers balls that take away from it, the one that takes most first
     * @param float     $distance to the middle of the mouth, m
     */
    public function __construct(
        public int $ball,
        public Pocket $pocket,
        public float $free,
        public float $open,
        public array $blockers,
        public float $distance,
    ) {}

    /** Whether it drops with some room to spare. */
    public function goes(): bool
    {
        return $this->free >= Defaults::LEAST_OPENING;
    }

    /** Part of the open pocket that is left, 0–1. */
    public function share(): float
    {
        return $this->open > 0.0 ? min(1.0, $this->free / $this->open) : 0.0;
    }

    /** Whether it goes, but with much less room than were it alone. */
    public function narrowed(): bool
    {
        return $this->goes() && $this->share() < Defaults::NARROWED;
    }

    /** Whether only other balls keep it out. */
    public function blocked(): bool
    {
        return !$this->goes() && $this->open >= Defaults::LEAST_OPENING;
    }
}
