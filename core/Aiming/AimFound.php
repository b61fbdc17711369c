<?php

declare(strict_types=1);

namespace ZigLane\Core\Aiming;

/**
 * Where SecantAim ended.
 */
final readonly class AimFound
{
    /**
     * @param float          $aim       of the cue, rad
     * @param Departure|null $departure of the ball then; null when the steps ran out before it passed the target closely enough
     */
    public function __construct(public float $aim, public ?Departure $departure) {}
}
