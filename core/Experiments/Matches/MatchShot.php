<?php

declare(strict_types=1);

namespace ZigLane\Core\Experiments\Matches;

use ZigLane\Core\Aiming\Pot;
use ZigLane\Core\Decision\OptionKind;
use ZigLane\Core\Physics\AimedStroke;
use ZigLane\Core\Rack\Rack;

/**
 * What a player in a match decides for.
 */
final readonly class MatchShot
{
    /**
     * @param Rack       $rack as it is played from: a ball in hand put down
     * @param Pot|null   $call null for a safety
     * @param float|null $win  chance to win the rack as predicted, 0–1; null where nothing was predicted
     * @param OptionKind $kind that was decided for
     */
    public function __construct(
        public Rack $rack,
        public AimedStroke $stroke,
        public ?Pot $call,
        public ?float $win,
        public OptionKind $kind = OptionKind::Go,
    ) {}
}
