<?php

declare(strict_types=1);

namespace ZigLane\Core\Reading;

use ZigLane\Core\Equipment\Pocket;

/**
 * A way that is not direct: a bank, a carom, or another ball by combination.
 */
final readonly class Indirect
{
    /**
     * @param int      $ball   that the cue ball must hit
     * @param int      $potted that drops
     * @param int|null $off    the ball it goes off, for a carom
     * @param float    $width  directions of the ball that do it, together, rad
     */
    public function __construct(
        public IndirectKind $kind,
        public int $ball,
        public int $potted,
        public Pocket $pocket,
        public ?int $off,
        public float $width,
    ) {}
}
