<?php

declare(strict_types=1);

namespace ZigLane\Core\Planning\Finding;

use ZigLane\Core\Finding;
use ZigLane\Core\ListOf;
use ZigLane\Core\Potting\NoPot;

/**
 * Nothing that may be shot goes.
 */
final readonly class NoShot implements Finding
{
    /**
     * @param list<int> $balls that may be shot
     * @param ?NoPot $why null when something goes, but the cue ball is lost with it
     */
    public function __construct(
        #[ListOf('int')]
        public array $balls,
        public ?NoPot $why,
    ) {}
}
