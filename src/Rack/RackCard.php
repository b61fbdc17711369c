<?php

declare(strict_types=1);

namespace ZigLane\App\Rack;

use ZigLane\App\Entity\RackRecord;
use ZigLane\Core\Rack\Rack;

/**
 * A rack in a list: read, or with why it cannot be read.
 */
final readonly class RackCard
{
    /**
     * @param Rack|null    $rack null for a damaged one
     * @param list<string> $ways of the cue ball along its legs, SVG paths in mm
     */
    public function __construct(public RackRecord $record, public ?Rack $rack, public array $ways, public ?string $damage = null) {}
}
