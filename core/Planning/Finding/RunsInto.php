<?php

declare(strict_types=1);

namespace ZigLane\Core\Planning\Finding;

use ZigLane\Core\Finding;
use ZigLane\Core\ListOf;

/**
 * The cue ball runs into balls that go as they lie.
 */
final readonly class RunsInto implements Finding
{
    /**
     * @param non-empty-list<int> $balls
     */
    public function __construct(
        #[ListOf('int')]
        public array $balls,
    ) {}
}
