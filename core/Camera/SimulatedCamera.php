<?php

declare(strict_types=1);

namespace ZigLane\Core\Camera;

use ZigLane\Core\Geometry\Point;
use ZigLane\Core\Numerics\Generator;
use ZigLane\Core\Physics\Layout;

/**
 * A camera above the table, made up: a stand-in, so that what uses one can be tried without.
 */
final readonly class SimulatedCamera
{
    /**
     * @param float $noise    one standard deviation of each coordinate, m
     * @param float $dropout  share of balls that it does not see
     * @param float $mistaken share of balls whose number it reads as another's on the table
     */
    public function __construct(
        private Generator $random,
        private float $noise = 0.004,
        private float $dropout = 0.0,
        private float $mistaken = 0.0,
    ) {}

    /** What it sees of the balls as they lie. */
    public function frame(Layout $layout, \DateTimeImmutable $at): Frame
    {
        $detections = [];
        $balls = array_keys($layout->balls);
        foreach ($layout->balls as $ball => $place) {
            $seen = new Point($place->x + $this->noise * $this->random->normal(), $place->y + $this->noise * $this->random->normal());
            $misses = $this->random->between(0.0, 1.0) < $this->dropout;
            $errs = $this->random->between(0.0, 1.0) < $this->mistaken;
            $other = $balls[$this->random->integer(0, \count($balls) - 1)];
            if (!$misses) {
                $detections[] = new Detection($errs ? $other : $ball, $seen, $errs ? 0.7 : 0.95);
            }
        }

        return new Frame($at, $detections);
    }
}
