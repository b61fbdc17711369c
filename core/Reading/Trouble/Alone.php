<?php

declare(strict_types=1);

namespace ZigLane\Core\Reading\Trouble;

/**
 * A ball that lies far from all others.
 */
final readonly class Alone extends Trouble
{
    /**
     * @param float $diamonds to the next ball
     * @param bool  $inOrder  whether the order is fixed
     */
    public function __construct(public int $ball, public float $diamonds, public bool $inOrder)
    {
        parent::__construct(TroubleKind::Far, [$ball], TroubleKind::Far->weight());
    }
}
