<?php

declare(strict_types=1);

namespace ZigLane\Core\Experiments\Matches;

use ZigLane\Core\Decision\Advice;
use ZigLane\Core\Decision\Adviser;
use ZigLane\Core\Decision\Contest;
use ZigLane\Core\Decision\PlaceInHand;
use ZigLane\Core\Planning\Beginnings;
use ZigLane\Core\Planning\ChosenShot;
use ZigLane\Core\Planning\Planner;
use ZigLane\Core\Player\Player;
use ZigLane\Core\Rack\Rack;

/**
 * What there is to know of the tables of one rack for a player against another: the plan and the advice, each worked out once a table.
 * Two players of the same level share it, and so do the two times that a rack is played, so that the same table is decided alike.
 */
final class TableAnalysis
{
    /** @var array<string, array{Rack, ChosenShot|null}> the plan by table */
    private array $plans = [];

    /** @var array<string, Adviser> by table */
    private array $advisers = [];

    /** @var array<string, Advice> by table */
    private array $advice = [];

    /**
     * @param Planner $planner the player's, made for this rack
     * @param Planner $others  the opponent's; the same where the two are of one level
     */
    public function __construct(
        private readonly Player $player,
        private readonly Player $opponent,
        private readonly Planner $planner,
        private readonly Planner $others,
        private readonly Effort $effort = Effort::Full,
    ) {}

    /**
     * Of both players, one for both where they are of the same level.
     *
     * @param Rack                   $rack    as the break leaves it
     * @param array{Player, Player} $players
     *
     * @return array{self, self}
     */
    public static function ofBoth(Rack $rack, array $players, Effort $effort): array
    {
        [$one, $two] = $players;
        $planner = static fn(Player $player): Planner => new Planner($rack->withPlayer($player), $effort->planning($rack->rules()));
        $ones = $planner($one);
        $first = new self($one, $two, $ones, $one->playsLike($two) ? $ones : $planner($two), $effort);

        return [$first, $first->others === $ones ? $first : new self($two, $one, $first->others, $ones, $effort)];
    }

    /**
     * The rack as it is played from, a ball in hand put down, and the shot that the plan begins with.
     *
     * @return array{Rack, ChosenShot|null}
     */
    public function plan(Rack $rack): array
    {
        return $this->plans[self::key($rack)] ??= $this->planned($rack->withPlayer($this->player));
    }

    /**
     * @return array{Rack, ChosenShot|null}
     */
    private function planned(Rack $rack): array
    {
        [$laid, $choice] = (new Beginnings($this->planner))->best($rack);
        $laid = $laid->withGroup($rack->group);
        if (null === $choice && $rack->ballInHand) {
            $contest = Contest::of($laid, $this->opponent, $this->planner, $this->others);
            $laid = (new PlaceInHand($laid->withBallInHand(true), $contest))->best() ?? $laid;
        }

        return [$laid, $choice];
    }

    /**
     * @param Rack $laid as plan() gives it
     */
    public function advice(Rack $laid, ?ChosenShot $choice): Advice
    {
        return $this->advice[self::key($laid)] ??= $this->adviser($laid)->advise(
            $choice?->route->shot->stroke(),
            $choice?->route->pot,
            $choice?->runOut() ?? 0.0,
        );
    }

    /** @param Rack $laid as plan() gives it */
    public function adviser(Rack $laid): Adviser
    {
        return $this->advisers[self::key($laid)] ??= new Adviser(
            $laid,
            $this->opponent,
            $this->planner,
            $this->effort->shots(),
            others: $this->others,
        );
    }

    private static function key(Rack $rack): string
    {
        return serialize([$rack->layout, $rack->ballInHand, $rack->group]);
    }
}
