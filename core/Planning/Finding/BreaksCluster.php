<?php

declare(strict_types=1);

namespace ZigLane\Core\Planning\Finding;

use ZigLane\Core\Finding;
use ZigLane\Core\ListOf;

/**
 * The cue ball breaks a cluster on its way.
 */
final readonly class BreaksCluster implements Finding
{
    /**
     * @param non-empty-list<int> $balls of the cluster
     * @param ?int $insurance a ball that goes wherever the cue ball stops
     */
    public function __construct(
        #[ListOf('int')]
        public array $balls,
        public ?int $insurance,
    ) {}
}
