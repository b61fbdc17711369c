<?php

declare(strict_types=1);

namespace ZigLane\Core\Physics;

/**
 * The balls of one run of the simulator on plain floats, for searches that play thousands of shots: before the run how they begin,
 * after it how they ended. Arrays by slot, one slot a ball, in the order of add(). Slot 0 is the cue ball's. Mutable on purpose.
 */
final class BallStates
{
    public const ON_TABLE = -1;
    public const OFF_TABLE = -2;

    /** @var array<int, float> m */
    public array $x = [];
    /** @var array<int, float> m */
    public array $y = [];
    /** @var array<int, float> m/s */
    public array $vx = [];
    /** @var array<int, float> m/s */
    public array $vy = [];
    /** @var array<int, float> rad/s */
    public array $wx = [];
    /** @var array<int, float> rad/s */
    public array $wy = [];
    /** @var array<int, float> rad/s */
    public array $wz = [];
    /** @var array<int, float> height over the cloth, m */
    public array $z = [];
    /** @var array<int, float> upward, m/s */
    public array $vz = [];
    /** @var array<int, int> index of the pocket that a ball went into, ON_TABLE, or OFF_TABLE where it jumped off */
    public array $pocket = [];

    /** Slot that the cue ball touched first, −1 for none. */
    public int $firstHit = -1;
    /** Whether any ball met a rail or fell after the first contact. */
    public bool $railAfterHit = false;
    /** When everything had stopped, s. */
    public float $time = 0.0;
    public int $eventCount = 0;

    /** @var list<SlotEvent> only when recording */
    public array $events = [];
    /** @var array<int, list<PathPiece>> by slot; only when recording */
    public array $paths = [];

    /** Adds a ball in the next slot: place in m; at rest without a motion. */
    public function add(float $x, float $y, ?Motion $motion = null): void
    {
        $this->x[] = $x;
        $this->y[] = $y;
        $this->vx[] = null === $motion ? 0.0 : $motion->vx;
        $this->vy[] = null === $motion ? 0.0 : $motion->vy;
        $this->wx[] = null === $motion ? 0.0 : $motion->wx;
        $this->wy[] = null === $motion ? 0.0 : $motion->wy;
        $this->wz[] = null === $motion ? 0.0 : $motion->wz;
        $this->z[] = 0.0;
        $this->vz[] = null === $motion ? 0.0 : $motion->vz;
        $this->pocket[] = self::ON_TABLE;
    }

    /** How a ball moves. */
    public function motion(int $slot): Motion
    {
        return new Motion($this->vx[$slot], $this->vy[$slot], $this->wx[$slot], $this->wy[$slot], $this->wz[$slot], $this->vz[$slot]);
    }

    /** Whether a ball has jumped off the table. */
    public function isOff(int $slot): bool
    {
        return self::OFF_TABLE === $this->pocket[$slot];
    }

    /** Whether a ball has gone into a pocket or off the table. */
    public function isDown(int $slot): bool
    {
        return self::ON_TABLE !== $this->pocket[$slot];
    }
}
