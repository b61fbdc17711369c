<?php

declare(strict_types=1);

namespace ZigLane\Core\Reading\Trouble;

/**
 * A ball close to a rail.
 */
final readonly class NearRail extends Trouble
{
    /**
     * @param string $rail "head", "foot", "left" or "right"
     * @param float  $gap  between ball and rail, m
     */
    public function __construct(public int $ball, public string $rail, public float $gap)
    {
        parent::__construct(TroubleKind::ByRail, [$ball], TroubleKind::ByRail->weight());
    }
}
