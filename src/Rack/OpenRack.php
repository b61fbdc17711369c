<?php

declare(strict_types=1);

namespace ZigLane\App\Rack;

use ZigLane\App\Entity\RackRecord;
use ZigLane\Core\Rack\Rack;

/**
 * A stored rack, read, with what undo and redo would do.
 */
final readonly class OpenRack
{
    public function __construct(
        public RackRecord $record,
        public Rack $rack,
        public ?string $undo,
        public ?string $redo,
    ) {}
}
