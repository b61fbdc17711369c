<?php

declare(strict_types=1);

namespace ZigLane\Core\Reading\Trouble;

use ZigLane\Core\Reading\Opening;

/**
 * A ball that goes in one pocket only.
 */
final readonly class OnePocket extends Trouble
{
    /**
     * @param list<int> $lost balls that keep it out of other pockets
     */
    public function __construct(public int $ball, public Opening $only, public array $lost)
    {
        parent::__construct(
            TroubleKind::OnePocket,
            [$ball, ...$only->blockers],
            TroubleKind::OnePocket->weight() + ($only->narrowed() ? 15 : 0),
        );
    }
}
