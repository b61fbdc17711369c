<?php

declare(strict_types=1);

namespace ZigLane\Core\Decision;

use ZigLane\Core\Rack\Rack;

/**
 * What to play where a plan breaks off.
 */
final readonly class Ending
{
    /** @param Rack $rack as the plan's last shot leaves it when nothing goes wrong */
    public function __construct(public Rack $rack, public Advice $advice) {}
}
