<?php

declare(strict_types=1);

namespace ZigLane\Core\Reading\Trouble;

use ZigLane\Core\Equipment\Pocket;

/**
 * A ball that stands in the only way of another.
 */
final readonly class InTheOnlyWay extends Trouble
{
    /**
     * @param int $blocker takes a part of the only pocket that the ball goes in
     */
    public function __construct(public int $ball, public int $blocker, public Pocket $pocket)
    {
        parent::__construct(TroubleKind::Blocks, [$ball, $blocker], TroubleKind::Blocks->weight() - 20);
    }
}
