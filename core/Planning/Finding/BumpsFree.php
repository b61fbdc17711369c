<?php

declare(strict_types=1);

namespace ZigLane\Core\Planning\Finding;

use ZigLane\Core\Finding;
use ZigLane\Core\ListOf;

/**
 * The cue ball bumps balls that do not go from much of the table as they lie.
 */
final readonly class BumpsFree implements Finding
{
    /**
     * @param non-empty-list<int> $balls
     */
    public function __construct(
        #[ListOf('int')]
        public array $balls,
    ) {}
}
