<?php

declare(strict_types=1);

namespace ZigLane\Core\Routes;

/**
 * How often a danger comes about.
 */
final readonly class DangerShare
{
    /** @param float $share of tries */
    public function __construct(public Danger $danger, public float $share) {}
}
