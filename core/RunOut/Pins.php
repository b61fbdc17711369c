<?php

declare(strict_types=1);

namespace ZigLane\Core\RunOut;

use ZigLane\Core\Table\Pocket;

/**
 * What the player has settled and the plan goes round.
 */
final readonly class Pins
{
    /**
     * @param array<int, list<Pocket>> $pockets where a ball must go, by ball
     */
    public function __construct(public array $pockets = []) {}
}
