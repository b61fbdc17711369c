<?php

declare(strict_types=1);

namespace ZigLane\Core\Planning\Finding;

use ZigLane\Core\Finding;
use ZigLane\Core\Games\Group;

/**
 * The group that the plan takes on an open table.
 */
final readonly class GroupTaken implements Finding
{
    /**
     * @param ?float $chance of running out, 0–1, roughly
     * @param ?float $other with the other group
     */
    public function __construct(
        public Group $group,
        public ?float $chance,
        public ?float $other,
    ) {}
}
