<?php

declare(strict_types=1);

namespace ZigLane\Core\Decision;

use ZigLane\Core\Equipment\BallId;
use ZigLane\Core\Physics\Layout;
use ZigLane\Core\Planning\Planner;
use ZigLane\Core\Planning\RunOutChance;
use ZigLane\Core\Player\Player;
use ZigLane\Core\Rack\Rack;
use ZigLane\Core\Rack\Turn;

/**
 * Who wins a rack that two players contest in alternate turns: what a table is worth to the one who comes to it.
 *
 * A turn wins the rack with the chance to run out, else the other player comes to a table that is like most (a chain of alternate turns;
 * J. G. Kemeny and J. L. Snell, "Finite Markov Chains", 1960). Where that is worth more, the player plays safe or, hidden, kicks.
 */
final readonly class Contest
{
    /**
     * What a safety wins against a table like most, as a share of the other's mean chance to run out: far from the ball, more of it the
     * nearer the ball is, and how near that is, m. Fitted to what was searched for on 2,800 tables (docs/decision.md).
     */
    private const SAFETY_FAR = -0.35;
    private const SAFETY_NEAR = 0.67;
    private const NEAR = 0.45;

    /** What is left of the other's mean chance to run out after a kick that hits (our own choice, held to the same tables). */
    private const LEFT_BY_KICK = 0.75;

    /** Share of kicks that miss for a player of so much error of aim (rad), and how that grows with it (our own choice). */
    private const KICKS_MISSED = 0.3;
    private const KICKS_OF = 0.0013;

    /**
     * With the ball in hand the chance to run out is at least so much above the mean one: state values of tables where nothing goes see
     * no gain in it (our own choice).
     */
    private const GAINED_IN_HAND = 0.08;

    /** From so much of a ball seen on, a safety is as good as on a ball that lies free. */
    private const SEEN = 0.3;

    private float $diameter;

    /**
     * @param bool $warned      a foul of the player loses the rack: it is the third in a row
     * @param bool $otherWarned a foul of the other does
     */
    public function __construct(
        public RunOutChance $own,
        public RunOutChance $other,
        ?float $diameter = null,
        private bool $warned = false,
        private bool $otherWarned = false,
    ) {
        $this->diameter = $diameter ?? 2 * $own->rack->simulator()->ball->radius;
    }

    /**
     * @param Rack         $rack    the player's group known where the game has groups
     * @param Planner      $planner the player's
     * @param Planner|null $others  the opponent's, with what it has worked out; a new one when null
     */
    public static function of(Rack $rack, Player $opponent, Planner $planner, ?Planner $others = null): self
    {
        $own = new RunOutChance($rack, $planner);
        $isAlike = !$rack->rules()->hasObstacles() && $opponent->playsLike($rack->player);
        $other = $isAlike ? $own : new RunOutChance(self::turned($rack, $opponent), $others);
        $onTwo = static fn(int $fouls): bool => Turn::LAST_WARNING === $fouls;

        return new self($own, $other, null, $onTwo($rack->fouls), $onTwo($rack->othersFouls));
    }

    /** The rack as the opponent sees it. */
    private static function turned(Rack $rack, Player $opponent): Rack
    {
        $turned = $rack->withPlayer($opponent);

        return null === $rack->group ? $turned : $turned->withGroup($rack->group->other());
    }

    /** The same from the other player's side. */
    public function reversed(): self
    {
        return new self($this->other, $this->own, $this->diameter, $this->otherWarned, $this->warned);
    }

    /** The same after a legal shot of the player. */
    public function afterLegal(): self
    {
        return $this->warned ? new self($this->own, $this->other, $this->diameter, false, $this->otherWarned) : $this;
    }

    /** Chance to win the rack after a foul that leaves this table, 0–1. */
    public function fouled(Layout $layout): float
    {
        return $this->warned ? 0.0 : 1 - $this->reversed()->inHand($layout);
    }

    /** Chance to win the rack for the player whose turn it is, from where the cue ball lies, 0–1. */
    public function turn(Layout $layout): float
    {
        [$sight, $distance] = $this->nearest($layout);
        $without = $this->withoutPot($layout, $sight, $distance);

        // What is hidden is kicked at: an attempt costs more than the turn.
        return $sight > 0.0 ? max($this->goes($layout), $without) : $without;
    }

    /** The same when the player goes for the run-out. */
    public function goes(Layout $layout): float
    {
        $runOut = $this->own->at($layout);

        return $runOut + (1 - $runOut) * $this->failing($layout);
    }

    /** The same with the ball in hand. */
    public function inHand(Layout $layout): float
    {
        $runOut = max($this->own->inHand($layout), min(1.0, $this->own->mean($layout) + self::GAINED_IN_HAND));

        return $runOut + (1 - $runOut) * $this->failing($layout);
    }

    /** The same when the player comes to a table like most, these balls on it. */
    public function average(Layout $layout): float
    {
        $own = $this->own->mean($layout);
        $both = 1 - (1 - $own) * (1 - $this->other->mean($layout));

        return $both > 0.0 ? $own / $both : 0.5;
    }

    /** Chance to win the rack when the run ends somewhere, 0–1. */
    public function failing(Layout $layout): float
    {
        return (1 - $this->other->mean($layout)) * $this->average($layout);
    }

    /**
     * Chance to win the rack by a safety, or by a kick where the ball is hidden, 0–1.
     *
     * @param float $sight    how much of the ball is seen, 0–1
     * @param float $distance and how far away it lies, m
     */
    private function withoutPot(Layout $layout, float $sight, float $distance): float
    {
        $average = $this->average($layout);
        $other = $this->other->mean($layout);
        $seen = min(1.0, $sight / self::SEEN);
        $safe = $average + $other * (self::SAFETY_FAR + self::SAFETY_NEAR * exp(-$distance / self::NEAR));
        if ($seen >= 1.0) {
            return $safe;
        }
        $missed = min(0.9, self::KICKS_MISSED * sqrt($this->own->rack->player->aim / self::KICKS_OF));
        $kick = $missed * $this->fouled($layout) + (1 - $missed) * (1 - self::LEFT_BY_KICK * $other) * $average;

        return $seen * $safe + (1 - $seen) * $kick;
    }

    /** How much is seen of the nearest ball that is seen well, of those that may be hit first, else of the one seen best, 0–1. */
    public function sight(Layout $layout): float
    {
        return $this->nearest($layout)[0];
    }

    /**
     * @return array{float, float} how much is seen of the nearest ball that is seen well, else of the one seen best, 0–1; how far it is, m
     */
    private function nearest(Layout $layout): array
    {
        $cue = $layout->ball(BallId::CUE);
        $best = [0.0, 0.0];
        foreach ($layout->nearestTo($cue, $this->own->rack->rules()->legalTargets($layout)) as $ball) {
            $seen = Sight::of($layout, $ball, $this->diameter);
            if ($seen > $best[0]) {
                $best = [$seen, $cue->distanceTo($layout->ball($ball))];
            }
            if ($seen >= self::SEEN) {
                break;
            }
        }

        return $best;
    }
}
