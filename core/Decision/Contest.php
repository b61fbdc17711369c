<?php

declare(strict_types=1);

namespace ZigLane\Core\Decision;

use ZigLane\Core\Physics\Layout;
use ZigLane\Core\Planning\RunOutChance;

/**
 * Who wins a rack that two players contest in alternate turns: what a table is worth to the one who comes to it.
 *
 * A turn wins the rack with the chance to run out, else the other player comes to a table that is like most (a chain of alternate turns;
 * J. G. Kemeny and J. L. Snell, "Finite Markov Chains", 1960). Where that is worth more, the player plays safe or, hidden, kicks.
 */
final readonly class Contest
{
    /**
     * What is left of the other's mean chance to run out after a safety from a table on which the ball is seen, and after a kick that
     * hits (our own choice).
     */
    private const LEFT_BY_SAFETY = 0.35;
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

    public function __construct(public RunOutChance $own, public RunOutChance $other, ?float $diameter = null)
    {
        $this->diameter = $diameter ?? 2 * $own->rack->simulator()->ball->radius;
    }

    /** The same from the other player's side. */
    public function reversed(): self
    {
        return new self($this->other, $this->own, $this->diameter);
    }

    /** Chance to win the rack for the player whose turn it is, from where the cue ball lies, 0–1. */
    public function turn(Layout $layout): float
    {
        $fails = $this->failing($layout);
        $runOut = $this->own->at($layout);
        $go = $runOut + (1 - $runOut) * $fails;

        return max($go, $this->withoutPot($layout));
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

    /** Chance to win the rack by a safety, or by a kick where the ball is hidden, 0–1. */
    private function withoutPot(Layout $layout): float
    {
        $average = $this->average($layout);
        $other = $this->other->mean($layout);
        $seen = min(1.0, $this->sight($layout) / self::SEEN);
        $safe = (1 - self::LEFT_BY_SAFETY * $other) * $average;
        if ($seen >= 1.0) {
            return $safe;
        }
        $missed = min(0.9, self::KICKS_MISSED * sqrt($this->own->rack->player->aim / self::KICKS_OF));
        $kick = $missed * (1 - $this->reversed()->inHand($layout)) + (1 - $missed) * (1 - self::LEFT_BY_KICK * $other) * $average;

        return $seen * $safe + (1 - $seen) * $kick;
    }

    /** How much is seen of the ball that is seen best, of those that may be hit first; not looked at further from a third on, 0–1. */
    public function sight(Layout $layout): float
    {
        $most = 0.0;
        foreach ($this->own->rack->rules()->legalTargets($layout) as $ball) {
            $most = max($most, Sight::of($layout, $ball, $this->diameter));
            if ($most >= self::SEEN) {
                break;
            }
        }

        return $most;
    }
}
