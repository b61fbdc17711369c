<?php

declare(strict_types=1);

namespace ZigLane\Core\Reading\Trouble;

use ZigLane\Core\Equipment\Pocket;

/**
 * Balls that go in the same one pocket only.
 */
final readonly class SameLane extends Trouble
{
    /**
     * @param non-empty-list<int> $balls
     */
    public function __construct(array $balls, public Pocket $pocket)
    {
        parent::__construct(TroubleKind::SameLane, $balls, TroubleKind::SameLane->weight());
    }
}
