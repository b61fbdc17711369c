<?php

declare(strict_types=1);

namespace ZigLane\Core\Reading\Trouble;

/**
 * Balls that lie together and hinder each other.
 */
final readonly class Cluster extends Trouble
{
    /**
     * @param non-empty-list<int> $members
     * @param list<int>           $shut    those of them that go nowhere
     * @param Opener|null         $opener  an earlier pot that can open it
     */
    public function __construct(array $members, public bool $touching, public array $shut, public ?Opener $opener)
    {
        parent::__construct(TroubleKind::Cluster, $members, TroubleKind::Cluster->weight() + 10 * \count($shut) - ([] === $shut ? 25 : 0));
    }
}
