<?php

declare(strict_types=1);

namespace ZigLane\Core\Choice;

use ZigLane\Core\Aiming\Pot;
use ZigLane\Core\Equipment\Table;
use ZigLane\Core\Experiments\People;
use ZigLane\Core\Games\GameName;
use ZigLane\Core\Planning\ChosenShot;
use ZigLane\Core\Planning\Planner;
use ZigLane\Core\Planning\SearchBudget;
use ZigLane\Core\Player\Player;
use ZigLane\Core\Potting\ErrorSamples;
use ZigLane\Core\Rack\Rack;
use ZigLane\Core\Routes\RouteSearch;

/**
 * Picks racks that are worth thinking about for a player: neither sure nor hopeless, and such that the shot people
 * would play without a plan (Experiments\People) costs something, unless they are taken as they come.
 */
final readonly class RackPicker
{
    /** Chance to run out, by a rough look, between which a rack is near a player's level (our own choice). */
    private const LEAST = 0.3;
    private const MOST = 0.85;

    /** Racks near the level that are looked at. */
    private const LOOKED = 5;

    /** Racks drawn until enough are near the level. */
    private const DRAWN = 40;

    /** Tries that the obvious shot is judged by. */
    private const TRIES = 96;

    /**
     * @param int  $balls to be potted
     * @param int  $seed  repeats the pick
     * @param bool $plain whether the first rack near the level is taken, trap or not
     */
    public function __construct(
        private GameName $game,
        private int $balls,
        private Player $player,
        private int $seed,
        private Table $table = new Table(),
        private bool $plain = false,
    ) {}

    /**
     * @return \Generator<int, Rack> the best so far; the last one is picked; none where nothing fits
     */
    public function racks(): \Generator
    {
        $most = -1.0;
        $near = 0;
        for ($n = 0; $n < self::DRAWN && $near < self::LOOKED; ++$n) {
            $rack = SmallRack::of($this->game, $this->balls, $this->seed * self::DRAWN + $n, $this->player, $this->table);
            if (null === $rack) {
                continue;
            }
            $planner = new Planner($rack, SearchBudget::quick());
            $choice = $planner->next($rack);
            if (null === $choice || $choice->runOut() < self::LEAST || $choice->runOut() > self::MOST) {
                continue;
            }
            ++$near;
            if ($this->plain) {
                yield $rack;

                return;
            }
            $costs = $this->costs($planner, $rack, $choice);
            if ($costs > $most) {
                $most = $costs;
                yield $rack;
            }
        }
    }

    /** The chance to run out that the obvious shot costs, by a rough look. */
    private function costs(Planner $planner, Rack $rack, ChosenShot $choice): float
    {
        $people = (new People($this->seed))->next($rack);
        if (null === $people) {
            return 0.0;
        }
        [, $called] = $people;
        $pot = new Pot($called->ball, $called->pocket);
        $errors = new ErrorSamples();
        $search = new RouteSearch($rack, $pot, $planner->evaluator($rack, $pot, SearchBudget::quick()), $errors);

        return $choice->runOut() - $search->chances($called->shot, $errors->judging(self::TRIES))->value;
    }
}
