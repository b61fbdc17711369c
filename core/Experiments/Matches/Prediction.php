<?php

declare(strict_types=1);

namespace ZigLane\Core\Experiments\Matches;

use ZigLane\Core\Decision\OptionKind;

/**
 * What a player was told before a shot.
 */
final readonly class Prediction
{
    /**
     * @param int        $turn who was to play, 0 or 1
     * @param float      $win  chance to win the rack that was predicted, 0–1
     * @param OptionKind $kind by what
     * @param float|null $luck of the first player in the rack until then, in chances to win it; null where that is not known
     */
    public function __construct(public int $turn, public float $win, public OptionKind $kind, public ?float $luck = null) {}

    /**
     * Whether the rack was won, less how lucky the strokes from then on were: on average the chance to win it, and nearer to that than who
     * won it. Null where that is not known.
     */
    public function wonLessLuck(MatchRack $rack): ?float
    {
        if (null === $rack->winner || null === $this->luck) {
            return null;
        }
        $luck = $rack->luck - $this->luck;

        return ($this->turn === $rack->winner ? 1.0 : 0.0) - (0 === $this->turn ? $luck : -$luck);
    }
}
