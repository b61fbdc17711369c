<?php

declare(strict_types=1);

namespace ZigLane\Core\Decision;

use ZigLane\Core\Equipment\BallId;
use ZigLane\Core\Geometry\Point;
use ZigLane\Core\Parallel\Processes;
use ZigLane\Core\Physics\Layout;
use ZigLane\Core\Potting\ErrorSamples;
use ZigLane\Core\Rack\Kitchen;
use ZigLane\Core\Rack\Playable;
use ZigLane\Core\Rack\Rack;

/**
 * Where the ball in hand is put down when no ball goes from anywhere: from where the best that can be played wins most. Places about the
 * balls that may be hit first are looked at, the better ones more closely.
 */
final readonly class PlaceInHand
{
    /** Places about a ball: how far from it (m), in so many directions; of so many balls. */
    private const DISTANCES = [0.1, 0.25, 0.6];
    private const DIRECTIONS = 10;
    private const BALLS = 2;

    /** A place from which less is seen of the ball is none. */
    private const SEEN = 0.3;

    /** Places that are looked at more closely. */
    private const CLOSELY = 3;

    /** Places are told in twentieths of a diamond. */
    private const STEPS = 20;

    private Processes $processes;

    /** @param Rack $rack with the ball in hand */
    public function __construct(
        private Rack $rack,
        private Contest $contest,
        private ErrorSamples $errors = new ErrorSamples(),
        ?Processes $processes = null,
    ) {
        $this->processes = $processes ?? Processes::single();
    }

    /** The rack with the cue ball put down; null where there is no such place. */
    public function best(): ?Rack
    {
        $ranked = $this->ranked($this->places(), ShotBudget::reply());
        $ranked = $this->ranked(\array_slice($ranked, 0, self::CLOSELY), ShotBudget::quick());

        return isset($ranked[0]) ? $this->laid($ranked[0]) : null;
    }

    /**
     * @param list<Point> $places
     *
     * @return list<Point> the best first
     */
    private function ranked(array $places, ShotBudget $budget): array
    {
        $worth = function (Point $place) use ($budget): float {
            $best = (new ShotSearch($this->laid($place), $this->contest, $budget, $this->errors))->best();

            return [] === $best ? 0.0 : max(array_map(static fn(Tried $one): float => $one->win(), array_values($best)));
        };
        $wins = \count($places) < 2 ? array_map($worth, $places) : $this->processes->inHalves($places, $worth);
        arsort($wins);

        return array_map(static fn(int $n): Point => $places[$n], array_keys($wins));
    }

    /**
     * @return list<Point>
     */
    private function places(): array
    {
        $simulator = $this->rack->simulator();
        $places = [];
        foreach (\array_slice(Kitchen::targets($this->rack), 0, self::BALLS) as $ball) {
            $at = $this->rack->layout->ball($ball);
            foreach (self::DISTANCES as $far) {
                for ($n = 0; $n < self::DIRECTIONS; ++$n) {
                    $place = $this->told($at->toward(2 * M_PI * $n / self::DIRECTIONS, $far));
                    $isOpen = Playable::hasRoom($simulator, $this->rack->layout, $place)
                        && (!$this->rack->kitchen || Kitchen::has($this->rack->table, $place));
                    if ($isOpen && Sight::of($this->layout($place), $ball, 2 * $simulator->ball->radius) >= self::SEEN) {
                        $places[] = $place;
                    }
                }
            }
        }

        return $places;
    }

    /** As it can be told at the table. */
    private function told(Point $place): Point
    {
        [$x, $y] = $this->rack->table->size->diamondsOf($place);

        return $this->rack->table->size->pointAt(round($x * self::STEPS) / self::STEPS, round($y * self::STEPS) / self::STEPS);
    }

    private function layout(Point $place): Layout
    {
        return new Layout([BallId::CUE => $place] + $this->rack->layout->without(BallId::CUE)->balls);
    }

    private function laid(Point $place): Rack
    {
        return $this->rack->withLayout($this->layout($place))->withBallInHand(false);
    }
}
