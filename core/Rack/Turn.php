<?php

declare(strict_types=1);

namespace ZigLane\Core\Rack;

use ZigLane\Core\Games\Group;
use ZigLane\Core\Player\Player;

/**
 * How the turn stands that a rack is planned for.
 */
final readonly class Turn
{
    /**
     * @param Group|null  $group    of the player in eight-ball; null on an open table
     * @param Player|null $opponent who comes to the table when the turn ends; null for practice alone
     */
    public function __construct(public bool $ballInHand = false, public ?Group $group = null, public ?Player $opponent = null) {}
}
