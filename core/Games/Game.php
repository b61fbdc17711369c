<?php

declare(strict_types=1);

namespace ZigLane\Core\Games;

use ZigLane\Core\Equipment\Pocket;
use ZigLane\Core\Numerics\Generator;
use ZigLane\Core\Physics\Layout;
use ZigLane\Core\Physics\ShotResult;

/**
 * The rules of a game, as far as running out a rack needs them: all that differs from game to game is asked here. An event's own
 * rules may differ and then decide.
 */
interface Game
{
    /**
     * @return list<int> the object balls of a full rack
     */
    public function rack(): array;

    /**
     * @return list<int> balls in each row of the rack, from the apex on
     */
    public function rackRows(): array;

    /**
     * @return list<int> numbers from the apex on, row by row, drawn as far as the rules leave them open
     */
    public function rackOrder(Generator $random): array;

    /** Whether the balls must be struck from the lowest number up. */
    public function hasFixedOrder(): bool;

    /**
     * @return list<int> balls on the table that the player has to pocket, ascending; in eight-ball the own group and the eight, on an
     *                   open table every ball
     */
    public function ownBalls(Layout $layout): array;

    /** The ball on the table that ends the rack; null in straight pool, and when it is gone. */
    public function lastBall(Layout $layout): ?int;

    /** Whether a rack ends with one ball left, beside which the next is broken open. */
    public function endsWithBreakShot(): bool;

    /** Whether the player's group is still to be chosen. */
    public function isTableOpen(): bool;

    /** The group that a pot of this ball on an open table gives; null where there are no groups. */
    public function groupTakenWith(int $ball): ?Group;

    /** Whether there are balls that the player may not pocket. */
    public function hasObstacles(): bool;

    /** Whether ball and pocket are called. */
    public function isCalled(): bool;

    /**
     * Whether the turn goes on after a shot, fouls aside.
     *
     * @param int|null    $ball   that was called; null for a safety
     * @param Pocket|null $pocket that was called; null for a safety
     */
    public function countsAsMade(?int $ball, ?Pocket $pocket, ShotResult $result): bool;

    /** Whether three fouls in a row lose the rack. */
    public function losesByFouls(): bool;

    /**
     * Points that a foul costs where points are counted, 0 elsewhere.
     *
     * @param int $before fouls in a row that were made before it, 0–2
     */
    public function pointsLostByFoul(int $before = 0): int;

    /** Whether a third foul in a row costs more than one alone does. */
    public function countsFouls(): bool;

    /** Whether the ball that ends the rack loses it when it falls too early or uncalled; elsewhere it is spotted. */
    public function losesOtherwise(): bool;

    /** Whether a break that drops this ball is played again when a rack is to be practised. */
    public function spoilsBreak(int $ball): bool;

    /**
     * @return list<int> balls on the table that may be struck first, ascending; empty when the rack is over
     */
    public function legalTargets(Layout $layout): array;

    /** Judges a shot played from a layout. */
    public function judge(Layout $before, ShotResult $result): Verdict;

    /**
     * Pocketed balls that are put back on the table (WPA rules, from memory).
     *
     * @return list<int> ascending
     */
    public function spotted(Layout $before, ShotResult $result): array;

    /** Whether the ball that ends the rack, falling on a legal shot from this table, wins it. */
    public function winsByFalling(Layout $before): bool;

    /** Whether nothing is left to be pocketed. */
    public function isOver(Layout $layout): bool;
}
