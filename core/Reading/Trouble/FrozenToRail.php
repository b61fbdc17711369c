<?php

declare(strict_types=1);

namespace ZigLane\Core\Reading\Trouble;

/**
 * A ball that touches a rail.
 */
final readonly class FrozenToRail extends Trouble
{
    /**
     * @param string $rail "head", "foot", "left" or "right"
     */
    public function __construct(public int $ball, public string $rail)
    {
        parent::__construct(TroubleKind::Frozen, [$ball], TroubleKind::Frozen->weight());
    }
}
