<?php

declare(strict_types=1);

namespace ZigLane\Core\Decision;

use ZigLane\Core\Games\Group;
use ZigLane\Core\Physics\Layout;
use ZigLane\Core\Rack\Rack;

/**
 * What tables are worth to a player who contests a rack in alternate turns, safeties left aside. Chances 0–1.
 */
interface Turns
{
    /** The rack as the player sees it. */
    public function rack(): Rack;

    /** Chance to run out from where the cue ball lies. */
    public function runOut(Layout $layout): float;

    /**
     * Chance to win the rack for the player who goes for the run-out.
     *
     * @param float|null $runOut chance to run out, as it is known better; that of runOut() when null
     */
    public function going(Layout $layout, ?float $runOut = null): float;

    /** The same with the ball in hand. */
    public function inHand(Layout $layout): float;

    /** The same when the player comes to a table like most, these balls on it. */
    public function coming(Layout $layout): float;

    /** The same when the other player does. */
    public function failing(Layout $layout): float;

    /** The same from the other player's side. */
    public function reversed(): self;

    /** The same for tables that strokes from this one leave: sooner. */
    public function near(Layout $layout): self;

    /** The same once the player has taken a group. */
    public function taking(Group $group): self;
}
