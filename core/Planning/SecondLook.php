<?php

declare(strict_types=1);

namespace ZigLane\Core\Planning;

use ZigLane\Core\Equipment\BallId;
use ZigLane\Core\Parallel\Processes;
use ZigLane\Core\Physics\BallStates;
use ZigLane\Core\Physics\Layout;
use ZigLane\Core\Potting\ErrorSamples;
use ZigLane\Core\Rack\Rack;
use ZigLane\Core\Rack\Spotting;

/**
 * A second look at the chance of a shot: some of its outcomes are planned on from anew, and by as much as that differs from what the
 * search took them to be worth, the chance is mended (a control variate: R. Y. Rubinstein, "Simulation and the Monte Carlo Method",
 * 1981).
 */
final readonly class SecondLook
{
    /** Outcomes that are planned on from; tries that they are taken from. */
    private const OUTCOMES = 8;
    private const TRIES = 96;

    /**
     * @param Planner $planner that shots are searched with
     */
    public function __construct(
        private Planner $planner,
        private ErrorSamples $errors,
        private Processes $processes,
    ) {}

    /**
     * The chance to run out, mended; null when the shot cannot be played.
     *
     * @param Rack $rack with the player and the group
     */
    public function at(PlannedShot $shot, Rack $rack): ?float
    {
        $tries = ShotTries::of($shot, $rack, $this->errors->judging(self::TRIES));
        if (null === $tries) {
            return null;
        }
        $rack = $tries->rack;
        $outcomes = self::outcomes($tries);
        if ([] === $outcomes) {
            return $shot->chances->runOut;
        }
        $evaluator = $this->planner->evaluator($rack, $shot->pot, SearchBudget::later());
        $differences = $this->processes->results(array_map(
            fn(array $outcome): \Closure => function () use ($outcome, $rack, $evaluator): float {
                [$layout, $moved] = $outcome;
                $cue = $layout->ball(BallId::CUE);
                $taken = [] === $moved ? $evaluator->valueAt($cue->x, $cue->y) : $evaluator->disturbed($moved, $cue->x, $cue->y);

                // Each table on which balls were moved by itself: what is known of one must not tell on the next.
                $planner = [] === $moved ? $this->planner : $this->planner->with(SearchBudget::roughLook(), $rack);

                return self::planned($planner, $rack, $layout) - $taken;
            },
            $outcomes,
        ));
        $mended = $shot->chances->runOut + $shot->chances->pot * array_sum($differences) / \count($differences);

        return max(0.0, min($shot->chances->pot, $mended));
    }

    private static function planned(Planner $planner, Rack $rack, Layout $layout): float
    {
        $rules = $rack->rules();
        if ($rules->isOver($layout)) {
            $last = $rules->lastBall($rack->layout);
            if (null === $last || $rules->winsByFalling($rack->layout)) {
                return 1.0;
            }
            if ($rules->losesOtherwise()) {
                return 0.0;
            }
            $layout = Spotting::back($rack->simulator(), $layout, [$last]);
        }

        return $planner->next($rack->goneOn($layout), SearchBudget::look())?->runOut() ?? 0.0;
    }

    /**
     * Tables that the shot leaves when it pots its ball, evenly among its tries, with the balls that were moved.
     *
     * @return list<array{Layout, array<int, array{float, float}|null>}>
     */
    private static function outcomes(ShotTries $tries): array
    {
        $sampler = $tries->sampler;
        $potted = array_values(array_filter(
            $tries->states,
            static fn(?BallStates $state): bool => null !== $state && !$sampler->scratches($state) && $sampler->pots($state),
        ));
        $step = max(1, intdiv(\count($potted), self::OUTCOMES));
        $tables = [];
        for ($n = 0; $n < min(\count($potted), $step * self::OUTCOMES); $n += $step) {
            $tables[] = self::outcome($tries, $potted[$n]);
        }

        return $tables;
    }

    /**
     * @return array{Layout, array<int, array{float, float}|null>}
     */
    private static function outcome(ShotTries $tries, BallStates $state): array
    {
        $after = $tries->sampler->table($state);
        $cue = $after->ball(BallId::CUE);
        // Balls that were hardly moved lie as they did, so that what is known of them holds; unless the cue ball lies there now.
        $lying = new Layout(array_intersect_key($tries->rack->layout->balls, $after->balls));
        $least = 2 * $tries->rack->simulator()->ball->radius;
        $pushed = array_filter($lying->objectBalls(), static fn(int $ball): bool => $lying->ball($ball)->distanceTo($cue) < $least);
        $moved = array_values(array_unique([...$tries->sampler->moved($state), ...$pushed]));

        return [] === $moved ? [$lying->with(BallId::CUE, $cue), []] : [$after, $tries->sampler->places($state, $moved)];
    }
}
