<?php

declare(strict_types=1);

namespace ZigLane\Core\Planning\Finding;

use ZigLane\Core\Finding;
use ZigLane\Core\ListOf;

/**
 * Balls that go only once they are opened.
 */
final readonly class ClusterToOpen implements Finding
{
    /**
     * @param non-empty-list<int> $balls
     * @param ?int $shot of the plan that opens them, from 1
     */
    public function __construct(
        #[ListOf('int')]
        public array $balls,
        public ?int $shot,
    ) {}
}
