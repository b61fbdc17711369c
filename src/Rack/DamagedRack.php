<?php

declare(strict_types=1);

namespace ZigLane\App\Rack;

use ZigLane\App\Entity\RackRecord;

/**
 * What is stored of a rack cannot be read.
 */
final class DamagedRack extends \RuntimeException
{
    /** @param string|null $document what is stored of its present state; null when that is missing */
    public function __construct(public readonly RackRecord $record, public readonly ?string $document, string $why)
    {
        parent::__construct($why);
    }
}
