<?php

declare(strict_types=1);

namespace ZigLane\Core\Planning;

use ZigLane\Core\Games\Game;

/**
 * How hard a shot is thought about.
 */
final readonly class SearchBudget
{
    /** Orders gone through when a plan is looked at from shot to shot: each look sees others. */
    private const FEWER = 12;

    /** How far apart the chance of the next pot is worked out exactly, in times 15 cm. */
    private const CLOSE = 1;
    private const WIDE = 2;

    /**
     * @param bool $fine    state values worked out closely, side spin counted on
     * @param int  $choices balls and pockets looked into
     * @param int  $strokes tried for each
     * @param int  $refined strokes of a choice that are refined
     * @param int  $rounds  of the refinement
     * @param int  $tries   that the chances rest on
     * @param int|null $step the chance of the next pot is worked out exactly every so many times 15 cm; null for nowhere
     * @param int  $sets    of so many balls all orders are gone through
     * @param int  $orders  gone through where there are more
     * @param bool $steady  of nearly equal routes one whose own stop is good: what a player is shown must make sense as drawn
     */
    public function __construct(
        public bool $fine,
        public int $choices,
        public int $strokes,
        public int $refined,
        public int $rounds,
        public int $tries,
        public ?int $step,
        public int $sets = 5,
        public int $orders = 80,
        public bool $steady = true,
    ) {}

    /** A first line of shots: about a tenth of a second a shot. */
    public static function quick(): self
    {
        return new self(false, 1, 6, 0, 0, 24, null, sets: 5, orders: 10);
    }

    /** What a season can afford: one to two seconds a shot. */
    public static function season(Game $game): self
    {
        // In any order there is so much to choose from that a coarser look at it does.
        return new self($game->hasFixedOrder(), 3, 10, 1, 2, 96, self::CLOSE, steady: false);
    }

    /** For the later shots of a plan: they will be planned anew when their turn comes. */
    public static function later(): self
    {
        return new self(true, 2, 10, 1, 2, 240, self::WIDE, orders: self::FEWER);
    }

    /** For a look at what an outcome leads on to: about as good, in a third of the time. */
    public static function look(): self
    {
        return new self(true, 2, 8, 1, 1, 96, self::WIDE, orders: self::FEWER, steady: false);
    }

    /** The same for a table on which balls were moved: without tables that would serve only once. */
    public static function roughLook(): self
    {
        return new self(false, 2, 8, 1, 1, 96, self::WIDE, sets: 4, orders: 6, steady: false);
    }

    /** For the shot that is played next. */
    public static function settled(Game $game): self
    {
        return new self(true, 3, 14, 2, 3, 400, $game->hasFixedOrder() ? self::CLOSE : self::WIDE, orders: self::FEWER);
    }
}
