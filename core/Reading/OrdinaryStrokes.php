<?php

declare(strict_types=1);

namespace ZigLane\Core\Reading;

use ZigLane\Core\Equipment\BallId;
use ZigLane\Core\Geometry\Point;
use ZigLane\Core\Physics\AimedStroke;
use ZigLane\Core\Physics\Layout;
use ZigLane\Core\Physics\Simulator;
use ZigLane\Core\Physics\Stroke;
use ZigLane\Core\Potting\PotChance;
use ZigLane\Core\Potting\ShotSampler;

/**
 * A few ordinary strokes without side at one pot, and where they leave the cue ball.
 *
 * @internal
 */
final readonly class OrdinaryStrokes
{
    /** Cue ball's distances tried until one is free, m. */
    private const DISTANCES = [0.5, 0.3, 0.8];

    /** Heights of the tip (radii), and times the speed of the reading stroke; fastest, m/s. */
    private const HEIGHTS = [-0.4, 0.0, 0.35];
    private const SPEEDS = [1.0, 1.6, 2.4];
    private const FASTEST = 6.0;

    /** Below this a pot is no way to go on by. */
    private const LEAST_POT = 0.2;

    public function __construct(private Simulator $simulator, private Layout $layout, private PotChance $pot) {}

    /**
     * Where strokes from a cut (rad) leave the cue ball.
     *
     * @return list<Point|null> one a stroke; null when it is no way to go on: hardly potted, cue ball lost, or another ball moved; [] when
     *                          the cue ball has no room there
     */
    public function stops(float $cut): array
    {
        $at = $this->layout->ball($this->pot->pot->ball);
        $toward = $this->pot->window()->toward;
        $ghost = $at->toward($toward, -2 * $this->simulator->ball->radius);
        foreach (self::DISTANCES as $far) {
            $cue = $ghost->toward($toward - $cut, -$far);
            if ($this->pot->free($cue->x, $cue->y)) {
                return $this->stopsFrom($cue);
            }
        }

        return [];
    }

    /**
     * @return list<Point|null>
     */
    private function stopsFrom(Point $cue): array
    {
        $stops = [];
        $easy = $this->pot->readingSpeed($cue->x, $cue->y);
        foreach (self::SPEEDS as $times) {
            foreach (self::HEIGHTS as $height) {
                $stroke = new Stroke(min($easy * $times, self::FASTEST), 0.0, $height);
                $read = $this->pot->with($cue, $stroke, self::LEAST_POT);
                $stops[] = $read->chance < self::LEAST_POT
                    ? null
                    : $this->stop($cue, new AimedStroke($read->aim, $stroke->raised($read->elevation)));
            }
        }

        return $stops;
    }

    private function stop(Point $cue, AimedStroke $stroke): ?Point
    {
        $sampler = new ShotSampler($this->simulator, $this->layout->with(BallId::CUE, $cue), $this->pot->pot);
        $state = $sampler->run($stroke);
        if (null === $state || !$sampler->pots($state) || $sampler->scratches($state) || [] !== $sampler->moved($state)) {
            return null;
        }

        return new Point($state->x[0], $state->y[0]);
    }
}
