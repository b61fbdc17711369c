<?php

declare(strict_types=1);

namespace ZigLane\Core\Choice;

use ZigLane\Core\Geometry\Point;
use ZigLane\Core\Potting\NoPot;
use ZigLane\Core\Routes\RouteChances;

/**
 * What a choice is worth: the chance to run out by the plan, and with one part of the choice after the other taken instead.
 */
final readonly class ChoiceWorth
{
    /** Chance to run out with all of the choice, 0–1; it may come out above the plan's. */
    public float $chosen;

    /**
     * Chance to run out that each part costs, together what is lost; the stroke's is below 0 where it does better than the spot asks for.
     *
     * @var array<value-of<ChoicePart>, float>
     */
    public array $costs;

    /**
     * @param float                              $plan  chance to run out by the plan, 0–1
     * @param array<value-of<ChoicePart>, float> $with  chance to run out with the choice as far as each part, the rest at its best
     * @param RouteChances|null                  $shot  what the stroke comes to under the player's errors; null where it cannot be played
     * @param Point|null                         $stop  where it leaves the cue ball when nothing goes wrong; null where it does not
     * @param float|null                         $nearest how near the spot a stroke of that pot was found to stop, m; null for none
     * @param float                              $onward chance of the next pot from the spot, 0–1; 1 where none needs to come
     * @param float|null                         $better the same from where the plan's first shot stops; null without one
     * @param RouteChances|null                  $there  what that stroke comes to, its position being 18 cm about the spot
     * @param float                              $offset part of the pocket that suits the stroke best, −1 … 1
     * @param NoPot|null                         $why    there is no such pot
     */
    public function __construct(
        public float $plan,
        public array $with,
        public ?RouteChances $shot,
        public ?Point $stop,
        public ?float $nearest,
        public float $onward,
        public ?float $better,
        public ?RouteChances $there = null,
        public float $offset = 0.0,
        public ?NoPot $why = null,
    ) {
        // A search is never complete: what a later part does better was there for the earlier ones, too. A stroke that does not go to
        // the spot may well do better than one that does.
        $levels = [];
        $most = 0.0;
        foreach (array_reverse($with, true) as $part => $chance) {
            $most = max($most, $chance);
            $levels[$part] = ChoicePart::Spot->value === $part ? $chance : $most;
        }
        $costs = [];
        $before = $plan;
        foreach (array_reverse($levels, true) as $part => $chance) {
            $costs[$part] = $before - min($plan, $chance);
            $before = min($plan, $chance);
        }
        $this->costs = $costs;
        $this->chosen = [] === $with ? $plan : array_values($with)[\count($with) - 1];
    }

    /** Chance to run out that the choice costs, 0–1. */
    public function lost(): float
    {
        return max(0.0, $this->plan - $this->chosen);
    }

    /** Share of the plan's chance that is kept, 0–1. */
    public function kept(): float
    {
        return $this->plan > 0.0 ? 1.0 - $this->lost() / $this->plan : 1.0;
    }

    /** The part that costs most; null where none costs anything. */
    public function dearest(): ?ChoicePart
    {
        $most = max([0.0, ...array_values($this->costs)]);

        return 0.0 === $most ? null : ChoicePart::from((string) array_search($most, $this->costs, true));
    }
}
