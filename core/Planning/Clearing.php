<?php

declare(strict_types=1);

namespace ZigLane\Core\Planning;

use ZigLane\Core\Physics\Layout;

/**
 * The chances of a line of straight pool as a person is told them: to pot the balls of the rack. They are searched with what the place for
 * the break shot counts for in them, which is not part of that.
 */
final readonly class Clearing
{
    public function __construct(private Planner $planner) {}

    /**
     * The line with the chance of each shot told so.
     */
    public function told(ShotLine $line): ShotLine
    {
        if (!$line->end->rules()->endsWithBreakShot()) {
            return $line;
        }
        $prior = ClearingPrior::of($line->end);
        $shots = array_map(
            fn(PlannedShot $shot): PlannedShot => $shot->judged(new ShotChances(
                $shot->chances->pot,
                $shot->chances->position,
                $prior->drawn($shot->chances->pot, $this->factor($shot, $line) * $shot->chances->runOut, self::left($shot->before)),
            )),
            $line->shots,
        );

        return new ShotLine($shots, $line->end);
    }

    /**
     * Shots that are left after one: the last ball is broken with.
     *
     * @param Layout $before the balls when it is played
     */
    public static function left(Layout $before): int
    {
        return \count($before->objectBalls()) - 2;
    }

    /** By how much the chance of a shot changes. */
    private function factor(PlannedShot $shot, ShotLine $line): float
    {
        $rack = $shot->rackBefore($line->end);
        $played = $shot->played($rack);
        if (null === $played) {
            return 1.0;
        }
        $budget = SearchBudget::later();
        $searched = $this->planner->chances($rack, $shot->pot, $played, $budget)->value;

        return $searched > 0.0 ? $this->planner->clears($rack, $shot->pot, $played, $budget) / $searched : 1.0;
    }
}
