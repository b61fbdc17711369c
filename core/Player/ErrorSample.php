<?php

declare(strict_types=1);

namespace ZigLane\Core\Player;

use ZigLane\Core\Numerics\Generator;

/**
 * One draw of a stroke's errors, in standard deviations.
 */
final readonly class ErrorSample
{
    public function __construct(public float $aim, public float $speed, public float $side, public float $height) {}

    /** One that is drawn. */
    public static function drawn(Generator $random): self
    {
        return new self($random->normal(), $random->normal(), $random->normal(), $random->normal());
    }
}
