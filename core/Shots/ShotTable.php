<?php

declare(strict_types=1);

namespace ZigLane\Core\Shots;

use ZigLane\Core\Aiming\Pot;
use ZigLane\Core\Equipment\BallId;
use ZigLane\Core\Equipment\Rail;
use ZigLane\Core\Geometry\Angle;
use ZigLane\Core\Geometry\Point;
use ZigLane\Core\Physics\Layout;
use ZigLane\Core\Physics\Simulator;

/**
 * A table with a shot that is meant on it.
 */
final readonly class ShotTable
{
    /** Of half the angle in which a ball is hit at all. */
    private const WIDE = 0.995;

    /** Nothing is sent on by a thinner hit, throw and all, rad. */
    private const THINNEST = 1.5;

    /** So near the place from which it is hit (diameters) a ball touches the other: what it does is not told by plain geometry. */
    private const TOUCHING = 0.5;

    public Point $cue;
    public Point $ball;
    public Point $mouth;
    public float $diameter;

    public function __construct(public Simulator $simulator, public Layout $layout, public Pot $pot, public Intent $intent)
    {
        $this->cue = $layout->ball(BallId::CUE);
        $this->ball = $layout->ball($pot->ball);
        $this->mouth = $simulator->geometry->pocket($pot->pocket)->entrance($this->ball);
        $this->diameter = 2 * $simulator->ball->radius;
    }

    /** Where the ball that is hit first lies. */
    public function first(): Point
    {
        return $this->layout->ball($this->intent->first($this->pot->ball));
    }

    /** A place seen in the mirrors of the intent's rails: a ball sent there by plain geometry gets to the place by way of them. */
    public function image(Point $place): Point
    {
        foreach (array_reverse($this->intent->rails) as $rail) {
            $place = $this->mirrored($place, $rail);
        }

        return $place;
    }

    /** A ball's centre is turned back where it touches the rail. */
    private function mirrored(Point $place, Rail $rail): Point
    {
        $g = $this->simulator->geometry;

        return match ($rail) {
            Rail::Head => new Point(2 * $g->reach - $place->x, $place->y),
            Rail::Foot => new Point(2 * ($g->length - $g->reach) - $place->x, $place->y),
            Rail::Left => new Point($place->x, 2 * $g->reach - $place->y),
            Rail::Right => new Point($place->x, 2 * ($g->width - $g->reach) - $place->y),
        };
    }

    /** Where a ball must be when it hits another that lies there, to send it to a third place. */
    public function ghost(Point $ball, Point $to): Point
    {
        return $ball->toward($ball->angleTo($to), -$this->diameter);
    }

    /** Whether a ball that lies there can send another to a third place, by plain geometry. */
    public function sends(Point $from, Point $ball, Point $to): bool
    {
        $ghost = $this->ghost($ball, $to);

        return $from->distanceTo($ghost) < self::TOUCHING * $this->diameter
            || abs(Angle::wrap($ball->angleTo($to) - $from->angleTo($ghost))) < self::THINNEST;
    }

    /**
     * The directions of the cue ball in which it hits a ball that lies there, a little less than all, rad.
     *
     * @return array{float, float}
     */
    public function hitting(Point $ball): array
    {
        $way = $this->cue->angleTo($ball);
        $half = asin(min(1.0, $this->diameter / max($this->cue->distanceTo($ball), $this->diameter))) * self::WIDE;

        return [$way - $half, $way + $half];
    }
}
