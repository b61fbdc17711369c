<?php

declare(strict_types=1);

namespace ZigLane\Core\Aiming;

use ZigLane\Core\Geometry\Angle;
use ZigLane\Core\Geometry\Point;
use ZigLane\Core\Physics\AimedStroke;
use ZigLane\Core\Physics\CueStrike;
use ZigLane\Core\Physics\Simulator;
use ZigLane\Core\Physics\Stroke;

/**
 * The direction of the cue that sends an object ball to a target: secant steps from the ghost ball of plain geometry, each step a
 * first contact played by the simulator.
 */
final readonly class SecantAim
{
    /** Two misses that differ by less (m) give no slope. */
    private const SAME = 1e-12;

    private FirstContact $contact;
    private float $diameter;

    /**
     * @param float $tolerance by which the ball may pass the target, m
     * @param int   $mostSteps after which it is given up
     * @param float $leastCos  of the cut, by which the first guess of the slope is kept finite
     * @param float $longest   step, as a share of half the angle that the ball takes up; INF for any
     */
    public function __construct(
        private Simulator $simulator,
        private float $tolerance,
        private int $mostSteps,
        private float $leastCos,
        private float $longest = INF,
    ) {
        $this->contact = new FirstContact($simulator);
        $this->diameter = 2 * $simulator->ball->radius;
    }

    /**
     * @param float|null $start direction to begin with, rad; null for the ghost ball's
     *
     * @return AimFound|null null when the ball was missed to the last
     */
    public function find(Point $cue, Point $ball, Stroke $stroke, Target $target, ?float $start = null): ?AimFound
    {
        $squirt = CueStrike::squirt($stroke->side, $this->simulator->cue);
        $way = $cue->angleTo($ball->toward($target->direction, -$this->diameter));
        $gap = max($cue->distanceTo($ball), $this->diameter);
        $cut = Angle::wrap($target->direction - $way);
        // How far the object ball turns when the cue ball does by a little, as a distance at the target.
        $gain = (1.0 - $gap / ($this->diameter * max(cos($cut), $this->leastCos))) * $target->distance;
        $longest = $this->longest * asin(min(1.0, $this->diameter / $gap));

        $aim = $start ?? $way + $squirt;
        $toward = $cue->angleTo($ball) + $squirt;
        $lastAim = $lastMiss = null;
        for ($step = 0; $step < $this->mostSteps; ++$step) {
            $try = $this->contact->of($cue, $ball, new AimedStroke($aim, $stroke), $target);
            if (null === $try) {
                // Missed it: nearer to full.
                $aim = ($aim + $toward) / 2;
                $lastAim = null;
                continue;
            }
            $miss = $try->miss;
            if (abs($miss) < $this->tolerance) {
                return new AimFound($aim, $try);
            }
            $slope = $gain;
            if (null !== $lastAim && abs($lastMiss - $miss) > self::SAME) {
                $secant = ($lastMiss - $miss) / ($lastAim - $aim);
                // Near the target the secant is right; far away, or where friction changes quickly, it may not be.
                $slope = $secant / $gain > 0.2 && $secant / $gain < 5.0 ? $secant : $gain;
            }
            [$lastAim, $lastMiss] = [$aim, $miss];
            $aim -= max(-$longest, min($longest, $miss / ($slope ?: 1e-9)));
        }

        return null === $lastAim ? null : new AimFound($aim, null);
    }
}
