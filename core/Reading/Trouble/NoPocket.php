<?php

declare(strict_types=1);

namespace ZigLane\Core\Reading\Trouble;

use ZigLane\Core\Reading\Indirect;

/**
 * A ball for which the angle closes every pocket.
 */
final readonly class NoPocket extends Trouble
{
    /**
     * @param Indirect|null $otherWay a way that is not direct; null when none was found
     */
    public function __construct(public int $ball, public ?Indirect $otherWay)
    {
        parent::__construct(TroubleKind::Stuck, [$ball], TroubleKind::Stuck->weight());
    }
}
