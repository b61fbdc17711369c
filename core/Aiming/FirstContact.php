<?php

declare(strict_types=1);

namespace ZigLane\Core\Aiming;

use ZigLane\Core\Physics\CueStrike;
use ZigLane\Core\Physics\Internal\Kernel;
use ZigLane\Core\Physics\Internal\KernelState;
use ZigLane\Core\Physics\Simulator;
use ZigLane\Core\Settings\Defaults;

/**
 * The first part of a shot, on plain floats: the cue ball runs to its contact with one ball, and that ball goes off. The
 * kernel does the first, closed formulas the second. SI units, rad.
 */
final readonly class FirstContact
{
    private Kernel $kernel;
    private float $radius;
    private float $slide;

    public function __construct(private Simulator $simulator)
    {
        $this->kernel = $simulator->kernel();
        $this->radius = $simulator->ball->radius;
        $this->slide = $simulator->table->cloth->slide * Defaults::GRAVITY;
    }

    /**
     * @param float $cx       cue ball
     * @param float $cy       cue ball
     * @param float $bx       object ball
     * @param float $by       object ball
     * @param float $speed    of the cue
     * @param float $a        tip to the right, radii
     * @param float $b        tip upward, radii
     * @param float $target   direction of a target from the object ball
     * @param float $distance of that target from it
     *
     * @return array{float, float, float, float, float, float}|null [the object ball passes the target by so much, right
     *                    positive; the speed of a ball without top or back spin that would roll as it will; the direction in
     *                    which it leaves; the cue ball's place at the contact; the surface
     *                    speed of the side spin that the object ball got, as a share of its speed]; null for a miss
     */
    public function try(
        float $cx,
        float $cy,
        float $bx,
        float $by,
        float $aim,
        float $speed,
        float $a,
        float $b,
        float $elevation,
        float $target,
        float $distance,
    ): ?array {
        [$vx, $vy, $wx, $wy, $wz] = CueStrike::given($aim, $speed, $a, $b, $elevation, $this->simulator->cue, $this->simulator->ball);
        $state = new KernelState();
        $state->add($cx, $cy, $vx, $vy, $wx, $wy, $wz);
        $state->add($bx, $by);
        $this->kernel->run($state, stopAtHit: true, mostRails: 0);
        if ($state->firstHit < 0) {
            return null;
        }
        $vx = $state->vx[1];
        $vy = $state->vy[1];
        $cos = cos($target);
        $sin = sin($target);
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
        $out = sqrt($vx * $vx + $vy * $vy);
        // A ball with some top or back spin rolls on like one without that left a little faster or slower.
        $pace = $out + 0.4 * $this->radius * ($state->wy[1] * $vx - $state->wx[1] * $vy) / max($out, 1e-9);
        $carried = $this->radius * $state->wz[1] / max($out, 1e-9);
        if ($v <= 0.0) {
            return [$w > 0 ? $distance : -$distance, $pace, atan2($vy, $vx), $state->x[0], $state->y[0], $carried];
        }
        $along = ($v + $acc * $t / 2) * $t;
        $side = $ay * $cos - $ax * $sin;
        if ($along >= $distance) {
            $t = 2 * $distance / ($v + sqrt(max($v * $v + 2 * $acc * $distance, 0.0)));
            $across = ($w + $side * $t / 2) * $t;
        } else {
            $across = ($w + $side * $t / 2) * $t + ($distance - $along) * ($w + $side * $t) / max($v + $acc * $t, 1e-9);
        }

        return [$across, $pace, atan2($vy, $vx), $state->x[0], $state->y[0], $carried];
    }
}
