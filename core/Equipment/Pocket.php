<?php

declare(strict_types=1);

namespace ZigLane\Core\Equipment;

/**
 * The six pockets; left and right as seen from the head rail looking to the foot.
 */
enum Pocket: string
{
    case HeadLeft = 'head-left';
    case HeadRight = 'head-right';
    case SideLeft = 'side-left';
    case SideRight = 'side-right';
    case FootLeft = 'foot-left';
    case FootRight = 'foot-right';

    /** Whether it is one of the two in the long rails. */
    public function isSide(): bool
    {
        return self::SideLeft === $this || self::SideRight === $this;
    }

    /** Place in the fixed order of the cases, 0–5: the number the simulator knows the pocket by. */
    public function index(): int
    {
        return match ($this) {
            self::HeadLeft => 0,
            self::HeadRight => 1,
            self::SideLeft => 2,
            self::SideRight => 3,
            self::FootLeft => 4,
            self::FootRight => 5,
        };
    }

    /** The pocket with an index() of 0–5. */
    public static function at(int $index): self
    {
        return self::cases()[$index];
    }

    /** "foot left", for sentences. */
    public function spoken(): string
    {
        return str_replace('-', ' ', $this->value);
    }
}
