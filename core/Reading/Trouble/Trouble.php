<?php

declare(strict_types=1);

namespace ZigLane\Core\Reading\Trouble;

/**
 * One thing that stands in the way of running out. What it forces is said by Wording\TroubleWording.
 */
abstract readonly class Trouble
{
    /**
     * @param non-empty-list<int> $balls  concerned, the one in trouble first
     * @param int                 $weight the more, the worse
     */
    public function __construct(public TroubleKind $kind, public array $balls, public int $weight) {}
}
