<?php

declare(strict_types=1);

namespace ZigLane\Core\Physics\Internal;

/**
 * What the kernel works on and leaves behind: plain arrays by slot, one slot a ball, slot 0 the cue ball. Mutable on
 * purpose; nothing outside the Simulation and Aim folders sees it. SI units.
 *
 * @internal
 */
final class KernelState
{
    public const ON_TABLE = -1;

    /** @var array<int, float> */
    public array $x = [];
    /** @var array<int, float> */
    public array $y = [];
    /** @var array<int, float> */
    public array $vx = [];
    /** @var array<int, float> */
    public array $vy = [];
    /** @var array<int, float> */
    public array $wx = [];
    /** @var array<int, float> */
    public array $wy = [];
    /** @var array<int, float> */
    public array $wz = [];
    /** @var array<int, int> pocket a ball went into, or ON_TABLE */
    public array $pocket = [];

    /** Slot that the cue ball touched first, −1 for none. */
    public int $firstHit = -1;
    /** Whether any ball met a rail or fell after the first contact. */
    public bool $railAfterHit = false;
    /** When everything had stopped, s. */
    public float $time = 0.0;
    public int $events = 0;

    /** @var list<array{float, int, int, int, float, float}> [t, kind, slot, other slot or element, x, y]; only when recording */
    public array $log = [];
    /** @var list<array{int, float, float, float, float, float, float, float, float, int}> [slot, t0, t1, x, y, vx, vy, ax, ay, mode] */
    public array $pieces = [];

    /** Adds a ball in the next slot: place (m), velocity (m/s), spin (rad/s); at rest where left out. */
    public function add(
        float $x,
        float $y,
        float $vx = 0.0,
        float $vy = 0.0,
        float $wx = 0.0,
        float $wy = 0.0,
        float $wz = 0.0,
    ): int {
        $this->x[] = $x;
        $this->y[] = $y;
        $this->vx[] = $vx;
        $this->vy[] = $vy;
        $this->wx[] = $wx;
        $this->wy[] = $wy;
        $this->wz[] = $wz;
        $this->pocket[] = self::ON_TABLE;

        return \count($this->x) - 1;
    }
}
