<?php

declare(strict_types=1);

namespace ZigLane\Core\Planning\Finding;

use ZigLane\Core\Finding;
use ZigLane\Core\Line\LegFault;

/**
 * A leg that was to be kept does not hold.
 */
final readonly class KeptLegBreaks implements Finding
{
    /**
     * @param int $leg from 1
     * @param ?LegFault $fault why; null when it names no ball
     */
    public function __construct(
        public int $leg,
        public ?LegFault $fault,
    ) {}
}
