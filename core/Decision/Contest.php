<?php

declare(strict_types=1);

namespace ZigLane\Core\Decision;

use ZigLane\Core\Equipment\BallId;
use ZigLane\Core\Games\Group;
use ZigLane\Core\Physics\Layout;
use ZigLane\Core\Planning\Planner;
use ZigLane\Core\Planning\RunOutChance;
use ZigLane\Core\Player\Player;
use ZigLane\Core\Rack\Rack;
use ZigLane\Core\Rack\Turn;

/**
 * Who wins a rack that two players contest in alternate turns: what a table is worth to the one who comes to it. They go for the run-out
 * or, where that is worth more, play safe or, hidden, kick.
 */
final readonly class Contest
{
    /**
     * What a safety wins against a table like most, as a share of what the turn there is worth to the other: far from the ball, more of it
     * the nearer the ball is, and how near that is, m. Fitted to what was searched for on 2,800 tables (docs/decision.md).
     */
    private const SAFETY_FAR = -0.35;
    private const SAFETY_NEAR = 0.67;
    private const NEAR = 0.45;

    /** What is left of that after a kick that hits (our own choice, held to the same tables). */
    private const LEFT_BY_KICK = 0.75;

    /** Share of kicks that miss for a player of so much error of aim (rad), and how that grows with it (our own choice). */
    private const KICKS_MISSED = 0.3;
    private const KICKS_OF = 0.0013;

    /** From so much of a ball seen on, a safety is as good as on a ball that lies free. */
    private const SEEN = 0.3;

    private float $diameter;

    /**
     * @param bool $warned      a foul of the player loses the rack: it is the third in a row
     * @param bool $otherWarned a foul of the other does
     */
    public function __construct(
        public Turns $turns,
        ?float $diameter = null,
        private bool $warned = false,
        private bool $otherWarned = false,
    ) {
        $this->diameter = $diameter ?? 2 * $turns->rack()->simulator()->ball->radius;
    }

    /**
     * @param Rack         $rack    an open table in eight-ball, or the player's group known
     * @param Planner      $planner the player's
     * @param Planner|null $others  the opponent's, with what it has worked out; a new one when null
     */
    public static function of(Rack $rack, Player $opponent, Planner $planner, ?Planner $others = null): self
    {
        $onTwo = static fn(int $fouls): bool => Turn::LAST_WARNING === $fouls;

        return new self(self::turns($rack, $opponent, $planner, $others), null, $onTwo($rack->fouls), $onTwo($rack->othersFouls));
    }

    private static function turns(Rack $rack, Player $opponent, Planner $planner, ?Planner $others): Turns
    {
        $isAlike = $opponent->playsLike($rack->player);
        $turned = $rack->withPlayer($opponent);
        if ($rack->rules()->isTableOpen()) {
            [$solids, $stripes] = [Group::Solids, Group::Stripes];
            $own = static fn(Group $group): RunOutChance => new RunOutChance($rack->withGroup($group), $planner);
            $theirs = static fn(Group $group): RunOutChance => new RunOutChance($turned->withGroup($group), $others);
            $ones = [$own($solids), $own($stripes)];
            $twos = $isAlike ? $ones : [$theirs($solids), $theirs($stripes)];
            $usual = self::usual($rack, $opponent);

            return new OpenTableTurns($rack, [
                $solids->value => new RackTurns($ones[0], $twos[1], $usual),
                $stripes->value => new RackTurns($ones[1], $twos[0], $usual),
            ]);
        }
        $own = new RunOutChance($rack, $planner);
        if (null !== $rack->group) {
            $other = new RunOutChance($turned->withGroup($rack->group->other()), $others);

            return new RackTurns($own, $other, self::usual($rack, $opponent));
        }

        return new RackTurns($own, $isAlike ? $own : new RunOutChance($turned, $others));
    }

    /**
     * @return array{UsualRunOut, UsualRunOut} the player's and the opponent's
     */
    private static function usual(Rack $rack, Player $opponent): array
    {
        $own = UsualRunOut::of($rack);

        return [$own, $opponent->playsLike($rack->player) ? $own : UsualRunOut::of($rack->withPlayer($opponent))];
    }

    /** The same from the other player's side. */
    public function reversed(): self
    {
        return new self($this->turns->reversed(), $this->diameter, $this->otherWarned, $this->warned);
    }

    /** The same for tables that strokes from this one leave: sooner. */
    public function near(Layout $layout): self
    {
        return new self($this->turns->near($layout), $this->diameter, $this->warned, $this->otherWarned);
    }

    /** The same after a legal shot of the player, by which a group may be taken. */
    public function afterLegal(?Group $taken = null): self
    {
        $turns = null === $taken ? $this->turns : $this->turns->taking($taken);

        return $this->warned || $turns !== $this->turns ? new self($turns, $this->diameter, false, $this->otherWarned) : $this;
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

    /**
     * The same when the player goes for the run-out.
     *
     * @param float|null $runOut chance to run out, as it is known better; by state values when null
     */
    public function goes(Layout $layout, ?float $runOut = null): float
    {
        return $this->turns->going($layout, $runOut);
    }

    /** The same with the ball in hand. */
    public function inHand(Layout $layout): float
    {
        return $this->turns->inHand($layout);
    }

    /** The same when the player comes to a table like most, these balls on it. */
    public function average(Layout $layout): float
    {
        return $this->turns->coming($layout);
    }

    /** Chance to win the rack when the turn ends without a ball, 0–1. */
    public function failing(Layout $layout): float
    {
        return $this->turns->failing($layout);
    }

    /** Chance that the player runs out from where the cue ball lies, 0–1. */
    public function runOut(Layout $layout): float
    {
        return $this->turns->runOut($layout);
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
        $other = $average > 0.0 ? 1 - $this->failing($layout) / $average : 0.0;
        $seen = min(1.0, $sight / self::SEEN);
        $safe = $average + $other * (self::SAFETY_FAR + self::SAFETY_NEAR * exp(-$distance / self::NEAR));
        if ($seen >= 1.0) {
            return $safe;
        }
        $missed = min(0.9, self::KICKS_MISSED * sqrt($this->turns->rack()->player->aim / self::KICKS_OF));
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
        foreach ($layout->nearestTo($cue, $this->turns->rack()->rules()->legalTargets($layout)) as $ball) {
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
