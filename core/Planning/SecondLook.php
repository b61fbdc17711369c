<?php

declare(strict_types=1);

namespace ZigLane\Core\Planning;

use ZigLane\Core\Equipment\BallId;
use ZigLane\Core\Parallel\Processes;
use ZigLane\Core\Physics\Layout;
use ZigLane\Core\Potting\ErrorSamples;
use ZigLane\Core\Rack\Rack;

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
     * @param Planner $rough   for tables on which balls were moved
     */
    public function __construct(
        private Planner $planner,
        private Planner $rough,
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

                return self::planned([] === $moved ? $this->planner : $this->rough, $rack, $layout) - $taken;
            },
            $outcomes,
        ));
        $mended = $shot->chances->runOut + $shot->chances->pot * array_sum($differences) / \count($differences);

        return max(0.0, min($shot->chances->pot, $mended));
    }

    private static function planned(Planner $planner, Rack $rack, Layout $layout): float
    {
        if ($rack->rules()->isOver($layout)) {
            return $rack->rules()->winsByFalling($rack->layout) ? 1.0 : 0.0;
        }

        return $planner->next($rack->withLayout($layout), SearchBudget::look())?->runOut() ?? 0.0;
    }

    /**
     * Tables that the shot leaves when it pots its ball, evenly among its tries, with the balls that were moved.
     *
     * @return list<array{Layout, array<int, array{float, float}|null>}>
     */
    private static function outcomes(ShotTries $tries): array
    {
        $sampler = $tries->sampler;
        $tables = [];
        foreach ($tries->states as $state) {
            if (null === $state || $sampler->scratches($state) || !$sampler->pots($state)) {
                continue;
            }
            $moved = $sampler->moved($state);
            $tables[] = [$sampler->table($state), [] === $moved ? [] : $sampler->places($state, $moved)];
        }
        $step = max(1, intdiv(\count($tables), self::OUTCOMES));

        return array_values(array_filter(
            \array_slice($tables, 0, $step * self::OUTCOMES),
            static fn(int $n): bool => 0 === $n % $step,
            \ARRAY_FILTER_USE_KEY,
        ));
    }
}
