<?php

declare(strict_types=1);

namespace ZigLane\Core\Reading\Trouble;

/**
 * A ball that only earlier balls keep in: they will be gone when its turn comes.
 */
final readonly class OpensInTurn extends Trouble
{
    /** Hardly trouble: it is shot later anyway. */
    private const LIGHT = 25;

    /**
     * @param list<int> $blockers
     */
    public function __construct(public int $ball, public array $blockers)
    {
        parent::__construct(TroubleKind::Blocks, [$ball, ...$blockers], self::LIGHT);
    }
}
