<?php

declare(strict_types=1);

namespace ZigLane\Core\Planning\Finding;

use ZigLane\Core\Aiming\Pot;
use ZigLane\Core\Finding;
use ZigLane\Core\Routes\RouteChances;

/**
 * What comes closest: another ball first, or the same ball in another pocket.
 */
final readonly class OtherShot implements Finding
{
    /**
     * @param bool $ball whether it is another ball
     * @param float $less chance of running out that it gives up, 0–1
     */
    public function __construct(
        public Pot $pot,
        public bool $ball,
        public RouteChances $chances,
        public float $less,
    ) {}
}
