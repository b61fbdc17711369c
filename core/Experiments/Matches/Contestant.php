<?php

declare(strict_types=1);

namespace ZigLane\Core\Experiments\Matches;

use ZigLane\Core\Decision\Adviser;
use ZigLane\Core\Decision\OptionKind;
use ZigLane\Core\Decision\ShotBudget;
use ZigLane\Core\Planning\Beginnings;
use ZigLane\Core\Planning\ChosenShot;
use ZigLane\Core\Planning\Planner;
use ZigLane\Core\Planning\SearchBudget;
use ZigLane\Core\Player\Player;
use ZigLane\Core\Rack\Rack;
use ZigLane\Core\Settings\Defaults;

/**
 * A player in a match: plans every shot anew, and decides by a policy.
 */
final class Contestant
{
    /** From so much of a run-out on, behind so likely a pot, nobody thinks of a safety. */
    private const CLEAR_RUN_OUT = 0.5;
    private const CLEAR_POT = 0.9;

    private ?Planner $planner = null;
    private string $name = '';

    public function __construct(public readonly Player $player, private readonly MatchPolicy $policy) {}

    /**
     * @param Rack $rack with a cue ball, in hand or not
     *
     * @return MatchShot|null null when there is nothing to play
     */
    public function decide(Rack $rack, Player $opponent): ?MatchShot
    {
        $rack = $rack->withPlayer($this->player);
        // One planner for a rack: another needs another.
        if (null === $this->planner || $this->name !== $rack->name) {
            $this->planner = new Planner($rack, SearchBudget::season($rack->rules()));
            $this->name = $rack->name;
        }
        [$laid, $choice] = (new Beginnings($this->planner))->best($rack);
        if (null !== $choice && $this->goesAtOnce($choice)) {
            return new MatchShot($laid, $choice->route->shot->stroke(), $choice->route->pot, null);
        }
        $adviser = new Adviser($laid, $opponent, $this->planner, ShotBudget::season());
        $advice = $adviser->advise(
            $choice?->route->shot->stroke(),
            $choice?->route->pot,
            $choice?->runOut() ?? 0.0,
        );
        $chosen = $advice->chosen();
        if (MatchPolicy::Threshold === $this->policy) {
            $chosen = $advice->of(OptionKind::Safe) ?? $advice->of(OptionKind::TwoWay) ?? $chosen;
        }

        return null === $chosen ? null : new MatchShot(
            $laid,
            $chosen->stroke,
            $chosen->call,
            MatchPolicy::Advice === $this->policy ? $chosen->win() : null,
            $chosen->chances->kind(),
        );
    }

    private function goesAtOnce(ChosenShot $choice): bool
    {
        $pot = $choice->route->chances->pot;

        return match ($this->policy) {
            MatchPolicy::Go => true,
            MatchPolicy::Threshold => $pot >= Defaults::GO_RULE,
            MatchPolicy::Advice => $pot >= self::CLEAR_POT && $choice->runOut() >= self::CLEAR_RUN_OUT,
        };
    }
}
