<?php

declare(strict_types=1);

namespace ZigLane\Core\Planning\Value;

use ZigLane\Core\Numerics\Generator;

/**
 * Plays a rack on by its state values: the shot they promise most of, with the player's error of speed, and with cuts beside the one
 * that was meant as PotContinuation mixes them in.
 *
 * @internal
 */
final readonly class MapPlay
{
    /** @param float $error of the speed, as a share of it */
    public function __construct(private StateValues $states, private float $error) {}

    /** The best shot from a place of the cue ball (m); null when none is left. */
    public function shot(RemainingBalls $remaining, float $x, float $y): ?MapShot
    {
        // A node in the shadow of a ball does not speak for the whole cell: the best of its corners counts.
        $cell = $this->states->grid()->cell($x, $y)->node;
        $corners = [$cell, $cell + 1, $cell + CueBallGrid::ACROSS + 1, $cell + CueBallGrid::ACROSS + 2];
        $pace = ContinuationValues::DISTANCES * ArrivalGrid::CUTS;
        $best = null;
        $most = 0.0;
        foreach ($this->states->due($remaining) as $ball) {
            $after = $remaining->without($ball);
            if (!$this->states->knows($after)) {
                continue;
            }
            $about = $this->states->pots->about($remaining, $ball);
            foreach ($this->states->pots->of($ball) as $option) {
                $grid = $option->chances;
                $onward = $this->states->continuations->afterPot($this->states, $after, $option->pot);
                $byPace = $grid->chances($about);
                foreach ($corners as $node) {
                    $n = $grid->place[$node] ?? -1;
                    if ($n < 0 || 0 !== ($grid->blocked[$n] & $about)) {
                        continue;
                    }
                    foreach ($byPace as $p => $chances) {
                        $at = $p * $pace + $grid->distance[$n] * ArrivalGrid::CUTS + $grid->cut[$n];
                        $value = $chances[$n] * ($onward[$at] + ($onward[$at + 1] - $onward[$at]) * $grid->part[$n]);
                        if ($value > $most) {
                            $most = $value;
                            $best = new MapShot($option, $chances[$n], $at, $grid->part[$n]);
                        }
                    }
                }
            }
        }

        return $best;
    }

    /** Where the cue ball stops after a shot that potted its ball. */
    public function stop(RemainingBalls $remaining, MapShot $shot, Generator $random): MapStop
    {
        $after = $remaining->without($shot->option->pot->ball);
        $above = $random->between(0.0, 1.0) < $shot->part;
        $arrival = $this->states->continuations->arrival($this->states, $after, $shot->option->pot, $shot->at + ($above ? 1 : 0))
            ?? $this->states->continuations->arrival($this->states, $after, $shot->option->pot, $shot->at + ($above ? 0 : 1));
        if (null === $arrival) {
            return MapStop::disturbed($this->states->meanValue($after));
        }
        [$index, $k] = $arrival;
        $k += (int) round($random->normal() * $this->error / log(ArrivalSteps::RUNG));
        $cut = $this->cut($shot->at % ArrivalGrid::CUTS + ($above ? 1 : 0), $after, $random->between(0.0, 1.0));
        $k = max($shot->option->transitions->slowest[$cut], min(ArrivalSteps::SPEEDS - 1, $k));
        if ($k >= ArrivalSteps::SPEEDS) {
            return MapStop::disturbed($this->states->meanValue($after));
        }
        $entry = $index->first() + $k;
        $transitions = $shot->option->transitions->at($cut, $index->side);
        if ($transitions->node[$entry] < 0) {
            return MapStop::down();
        }
        $met = $shot->option->touched($cut, $index->side)[$entry] & $after->balls();

        return 0 !== $met && !$this->states->isOver($after)
            ? MapStop::disturbed($this->states->disturbed($after, $met))
            : MapStop::at($transitions->x[$entry], $transitions->y[$entry]);
    }

    /**
     * The cut that comes of one that was meant: one beside it now and then; where every second is looked at, one of those.
     *
     * @param int   $meant  place on the ladder of cuts
     * @param float $chance 0–1, drawn
     */
    private function cut(int $meant, RemainingBalls $after, float $chance): int
    {
        $step = $this->states->continuations->needed($after)->step;
        $cut = match (true) {
            1 !== $step => $meant + (0 === $meant % $step ? 0 : ($chance < 0.5 ? -1 : 1)),
            $chance < PotContinuation::ASIDE => $meant - 1,
            $chance > 1 - PotContinuation::ASIDE => $meant + 1,
            default => $meant,
        };

        return max(0, min(ArrivalGrid::CUTS - 1, $cut));
    }
}
