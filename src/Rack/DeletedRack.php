<?php

declare(strict_types=1);

namespace ZigLane\App\Rack;

use ZigLane\App\Entity\RackRecord;

/**
 * The rack was deleted: it can be put back, and until then nothing else.
 */
final class DeletedRack extends \RuntimeException
{
    public function __construct(public readonly RackRecord $record)
    {
        parent::__construct(\sprintf('The rack "%s" was deleted.', $record->name()));
    }
}
