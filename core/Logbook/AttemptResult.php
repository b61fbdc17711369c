<?php

declare(strict_types=1);

namespace ZigLane\Core\Logbook;

use ZigLane\Core\Equipment\BallId;
use ZigLane\Core\Geometry\Point;
use ZigLane\Core\Physics\Layout;
use ZigLane\Core\Physics\Tip;

/**
 * What came of an attempt.
 */
final readonly class AttemptResult
{
    /**
     * @param bool                   $made   the shot did what was called, without a foul
     * @param Point|null             $cue    where the cue ball stopped, m; null when it is gone
     * @param array<int, Point|null> $moved  where object balls stopped that were moved, m; null for those that are gone
     * @param Miss|null              $missed how, where that was told
     * @param array<string, mixed>   $unknown keys of the file that this version does not know, kept
     * @param Tip|null               $chalk  where the chalk mark showed that the tip struck
     */
    public function __construct(
        public bool $made,
        public ?Point $cue,
        public array $moved = [],
        public ?Miss $missed = null,
        public array $unknown = [],
        public ?Tip $chalk = null,
    ) {}

    /** The table afterwards; the cue ball may be missing. */
    public function after(Layout $before): Layout
    {
        $balls = array_filter([BallId::CUE => $this->cue] + $this->moved + $before->balls);
        ksort($balls);

        return new Layout($balls);
    }
}
