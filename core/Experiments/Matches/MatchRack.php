<?php

declare(strict_types=1);

namespace ZigLane\Core\Experiments\Matches;

/**
 * How a rack of a match went.
 */
final readonly class MatchRack
{
    /**
     * @param int|null         $winner      0 or 1; null when it was given up
     * @param int              $shots       that were played
     * @param list<Prediction> $predictions before shots, in their order
     * @param float            $luck        by how much the first player's strokes fell out better, and the second's worse,
     *                                      than such strokes do on average, in chances to win the rack
     */
    public function __construct(public ?int $winner, public int $shots, public array $predictions, public float $luck = 0.0) {}
}
