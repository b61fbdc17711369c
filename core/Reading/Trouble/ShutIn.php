<?php

declare(strict_types=1);

namespace ZigLane\Core\Reading\Trouble;

use ZigLane\Core\Reading\Indirect;

/**
 * A ball that goes nowhere until others have moved.
 */
final readonly class ShutIn extends Trouble
{
    /**
     * @param list<int>     $by       that must move
     * @param Opener|null   $opener   an earlier pot that can move one of them
     * @param bool          $inOrder  whether the order is fixed
     * @param Indirect|null $otherWay a way that is not direct
     */
    public function __construct(
        public int $ball,
        public array $by,
        public ?Opener $opener,
        public bool $inOrder,
        public ?Indirect $otherWay,
    ) {
        parent::__construct(TroubleKind::Stuck, [$ball, ...$by], TroubleKind::Stuck->weight() - (null === $opener ? 0 : 5));
    }
}
