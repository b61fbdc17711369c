<?php

declare(strict_types=1);

namespace ZigLane\Core\Aiming;

use ZigLane\Core\Geometry\Point;
use ZigLane\Core\Physics\AimedStroke;
use ZigLane\Core\Physics\BallStates;
use ZigLane\Core\Physics\CueStrike;
use ZigLane\Core\Physics\Simulator;
use ZigLane\Core\Settings\Defaults;

/**
 * The first part of a shot, on plain floats: the cue ball runs to its contact with one ball, and that ball goes off. The
 * kernel does the first, closed formulas the second. SI units, rad.
 */
final readonly class FirstContact
{
    private float $radius;
    private float $slide;

    public function __construct(private Simulator $simulator)
    {
        $this->radius = $simulator->ball->radius;
        $this->slide = $simulator->table->cloth->slide * Defaults::GRAVITY;
    }

    /** How the ball leaves when the cue ball is struck so; null for a miss. */
    public function of(Point $cue, Point $ball, AimedStroke $stroke, Target $target): ?Departure
    {
        $state = new BallStates();
        $state->add($cue->x, $cue->y, CueStrike::of($stroke, $this->simulator->cue, $this->simulator->ball));
        $state->add($ball->x, $ball->y);
        $this->simulator->run($state, stopAtHit: true, mostRails: 0);
        if ($state->firstHit < 0) {
            return null;
        }
        $vx = $state->vx[1];
        $vy = $state->vy[1];
        $out = sqrt($vx * $vx + $vy * $vy);
        // A ball with some top or back spin rolls on like one without that left a little faster or slower.
        $pace = $out + 0.4 * $this->radius * ($state->wy[1] * $vx - $state->wx[1] * $vy) / max($out, 1e-9);
        $carried = $this->radius * $state->wz[1] / max($out, 1e-9);

        return new Departure($this->miss($state, $target), $pace, atan2($vy, $vx), $state->x[0], $state->y[0], $carried);
    }

    /** By how much the ball in slot 1 passes the target, m, right positive. */
    private function miss(BallStates $state, Target $target): float
    {
        $vx = $state->vx[1];
        $vy = $state->vy[1];
        $cos = cos($target->direction);
        $sin = sin($target->direction);
        $distance = $target->distance;
        // While it slides, the slip's direction is fixed: a parabola. Along and across the target's direction.
        $ux = $vx - $this->radius * $state->wy[1];
        $uy = $vy + $this->radius * $state->wx[1];
        $slip = sqrt($ux * $ux + $uy * $uy);
        $t = 2 * $slip / (7 * $this->slide);
        $ax = $slip > 0 ? -$this->slide * $ux / $slip : 0.0;
        $ay = $slip > 0 ? -$this->slide * $uy / $slip : 0.0;
        $v = $vx * $cos + $vy * $sin;
        $acc = $ax * $cos + $ay * $sin;
        $w = $vy * $cos - $vx * $sin;
        if ($v <= 0.0) {
            return $w > 0 ? $distance : -$distance;
        }
        $along = ($v + $acc * $t / 2) * $t;
        $side = $ay * $cos - $ax * $sin;
        if ($along >= $distance) {
            $t = 2 * $distance / ($v + sqrt(max($v * $v + 2 * $acc * $distance, 0.0)));

            return ($w + $side * $t / 2) * $t;
        }

        return ($w + $side * $t / 2) * $t + ($distance - $along) * ($w + $side * $t) / max($v + $acc * $t, 1e-9);
    }
}
