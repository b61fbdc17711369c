<?php

declare(strict_types=1);

namespace ZigLane\Core\Experiments\Matches;

use ZigLane\Core\Decision\OptionKind;
use ZigLane\Core\Planning\ChosenShot;
use ZigLane\Core\Player\Player;
use ZigLane\Core\Rack\Rack;
use ZigLane\Core\Settings\Defaults;

/**
 * A player in a match: plans every shot anew, and decides by a policy.
 */
final readonly class Contestant
{
    /** From so much of a run-out on, behind so likely a pot, nobody thinks of a safety. */
    private const CLEAR_RUN_OUT = 0.5;
    private const CLEAR_POT = 0.9;

    public function __construct(public Player $player, private MatchPolicy $policy) {}

    /**
     * @param Rack          $rack     with a cue ball, in hand or not
     * @param TableAnalysis $analysis of this player against the other
     *
     * @return MatchShot|null null when there is nothing to play
     */
    public function decide(Rack $rack, TableAnalysis $analysis): ?MatchShot
    {
        [$laid, $choice] = $analysis->plan($rack);
        if (null !== $choice && $this->goesAtOnce($choice)) {
            return new MatchShot($laid, $choice->route->shot->stroke(), $choice->route->pot, null);
        }
        $advice = $analysis->advice($laid, $choice);
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
