<?php

declare(strict_types=1);

namespace ZigLane\Core\Planning\Value;

/**
 * Where the cue ball stops after a shot that was played by the state values.
 *
 * @internal
 */
final readonly class MapStop
{
    /**
     * @param bool       $down  the cue ball fell
     * @param float|null $worth what is left, 0–1, when other balls were moved; null when none was
     */
    private function __construct(public float $x, public float $y, public bool $down, public ?float $worth) {}

    /** A place, m. */
    public static function at(float $x, float $y): self
    {
        return new self($x, $y, false, null);
    }

    /** It fell. */
    public static function down(): self
    {
        return new self(0.0, 0.0, true, null);
    }

    /** Nobody knows where, among balls that were moved. */
    public static function disturbed(float $worth): self
    {
        return new self(0.0, 0.0, false, $worth);
    }
}
