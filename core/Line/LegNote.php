<?php

declare(strict_types=1);

namespace ZigLane\Core\Line;

use ZigLane\Core\Equipment\Pocket;
use ZigLane\Core\Finding;

/**
 * Something that happens in a leg and was not asked for.
 */
final readonly class LegNote implements Finding
{
    /**
     * @param int|null    $other   ball that is run into
     * @param Pocket|null $pocket  that the ball drops in
     * @param float       $degrees of the cue above level
     */
    public function __construct(
        public LegNoteKind $kind,
        public ?int $ball = null,
        public ?int $other = null,
        public ?Pocket $pocket = null,
        public float $degrees = 0.0,
    ) {}
}
