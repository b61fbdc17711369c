<?php

declare(strict_types=1);

namespace ZigLane\Core\Aiming;

use ZigLane\Core\Equipment\Pocket;
use ZigLane\Core\Geometry\Point;
use ZigLane\Core\Physics\BallStates;
use ZigLane\Core\Physics\Motion;
use ZigLane\Core\Physics\Simulator;

/**
 * How much a pocket forgives: the directions in which a rolling ball drops, found by sending it in fine steps across the
 * mouth and beyond, so that balls taken off the rail and balls spat out of the jaws both count as what they are.
 */
final readonly class MakeTolerance
{
    /** A ball that has met so much rubber and is still up is a bank, or a rattle that ended outside. */
    private const MOST_CONTACTS = 4;

    /** Directions tried, evenly over three open mouths' width. */
    private const TRIES = 241;

    public function __construct(private Simulator $simulator) {}

    /**
     * @param float $distance  of the ball from the middle of the mouth, m
     * @param float $offSquare angle of its place from straight before the pocket, rad; positive turns as the table does
     * @param float $speed     m/s, rolling
     *
     * @return float|null half the width of all directions that drop, rad; null where a ball cannot lie
     */
    public function half(Pocket $pocket, float $distance, float $offSquare, float $speed): ?float
    {
        $geometry = $this->simulator->geometry;
        $shape = $geometry->pocket($pocket);
        $middle = $shape->mouthMiddle();
        $out = atan2(-$shape->axis[1], -$shape->axis[0]) + $offSquare;
        $from = $middle->toward($out, $distance);
        if (!$geometry->canRest($from)) {
            return null;
        }
        $toward = $from->angleTo($middle);
        $span = 3.0 * atan2($shape->tipA->distanceTo($shape->tipB) / 2, $distance);
        $drops = 0;
        for ($i = 0; $i < self::TRIES; ++$i) {
            $drops += $this->drops($pocket, $from, $toward + $span * (2 * $i / (self::TRIES - 1) - 1), $speed) ? 1 : 0;
        }

        return $span * $drops / (self::TRIES - 1);
    }

    private function drops(Pocket $pocket, Point $from, float $way, float $speed): bool
    {
        $state = new BallStates();
        $state->add($from->x, $from->y, Motion::rolling($speed * cos($way), $speed * sin($way), $this->simulator->ball->radius));
        $this->simulator->run($state, mostRails: self::MOST_CONTACTS);

        return $state->pocket[0] === $pocket->index();
    }
}
