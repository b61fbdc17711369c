<?php

declare(strict_types=1);

namespace ZigLane\Core\Physics;

use ZigLane\Core\Equipment\BallId;
use ZigLane\Core\Equipment\BallSpec;
use ZigLane\Core\Equipment\TableGeometry;
use ZigLane\Core\Geometry\Point;
use ZigLane\Core\Settings\Defaults;

/**
 * How far the cue must be raised to reach the cue ball over a rail or a ball behind it.
 *
 * Plain geometry: the shaft is a straight rod of its tip's width; it must pass over the cushion's edge, taken to be as
 * high as its nose, and its axis must stay a ball radius and half a shaft from the centre of every ball behind.
 */
final readonly class LeastElevation
{
    private const STEP_DEG = 0.5;

    /**
     * A ball that lies nearer to the line of the noses than it could at a rail lies in a pocket's mouth: no nose is behind it but the
     * pocket's rim, so much farther off, m (the depth of a pocket as seen, from memory).
     */
    private const MOUTH = 0.1;
    private const SLACK = 0.001;

    /** Farther behind than this (m) neither a rail nor a ball is in the way. */
    public const RAIL_BEHIND = 0.3;
    public const BALL_BEHIND = 0.6;

    /**
     * @param float                     $toRail back along the cue to the nearest rail's nose, m
     * @param float                     $nose   height of the nose, m
     * @param list<array{float, float}> $behind balls behind the cue ball: back along the cue and aside from it, m
     * @param float                     $r      ball radius, m
     */
    private function __construct(
        private Stroke $stroke,
        private float $toRail,
        private float $nose,
        private array $behind,
        private float $r,
    ) {}

    /**
     * The least elevation for a shot as it would be played level.
     *
     * @param float $aim rad
     *
     * @return float rad; INF when not even the steepest cue allowed would do
     */
    public static function of(Layout $layout, float $aim, Tip $tip, TableGeometry $geometry, BallSpec $ball): float
    {
        $others = $layout->balls;
        unset($others[BallId::CUE]);

        $stroke = new AimedStroke($aim, new Stroke(0.0, $tip->side, $tip->height));

        return self::at($layout->ball(BallId::CUE), $others, $stroke, $geometry, $ball);
    }

    /**
     * The same for loops over many places.
     *
     * @param array<int, Point> $others the other balls
     *
     * @return float rad; INF when not even the steepest cue allowed would do
     */
    public static function at(Point $cue, array $others, AimedStroke $aimed, TableGeometry $geometry, BallSpec $ball): float
    {
        $dx = cos($aimed->aim);
        $dy = sin($aimed->aim);
        $toRail = INF;
        [$ahead, $across] = [$geometry->length - $cue->x, $geometry->width - $cue->y];
        foreach ([[$cue->x, $dx], [$ahead, -$dx], [$cue->y, $dy], [$across, -$dy]] as [$room, $speed]) {
            if ($speed > 1e-9) {
                $toRail = min($toRail, ($room < $geometry->reach - self::SLACK ? $room + self::MOUTH : $room) / $speed);
            }
        }
        $behind = [];
        foreach ($others as $place) {
            $back = ($cue->x - $place->x) * $dx + ($cue->y - $place->y) * $dy;
            $aside = ($place->x - $cue->x) * -$dy + ($place->y - $cue->y) * $dx - $aimed->stroke->side * $ball->radius;
            if ($back > 0.0 && $back < self::BALL_BEHIND && abs($aside) < $ball->radius + Defaults::TIP_WIDTH / 2) {
                $behind[] = [$back, $aside];
            }
        }
        $nose = $geometry->table->cushion->noseHeight * 2 * $ball->radius;

        return (new self($aimed->stroke, $toRail, $nose, $behind, $ball->radius))->least();
    }

    private function least(): float
    {
        if ($this->clears(0)) {
            return 0.0;
        }
        $low = 0;
        $high = (int) (Defaults::MAX_ELEVATION_DEG / self::STEP_DEG);
        if (!$this->clears($high)) {
            return INF;
        }
        // The higher the cue, the clearer.
        while ($high - $low > 1) {
            $middle = intdiv($low + $high, 2);
            if ($this->clears($middle)) {
                $high = $middle;
            } else {
                $low = $middle;
            }
        }

        return deg2rad($high * self::STEP_DEG);
    }

    private function clears(int $step): bool
    {
        $e = deg2rad($step * self::STEP_DEG);
        $r = $this->r;
        $tip = $this->stroke->height;
        $c = sqrt(1.0 - $this->stroke->side ** 2 - $tip ** 2);
        $height = $r * (1.0 + $tip * cos($e) + $c * sin($e));
        $start = $r * ($c * cos($e) - $tip * sin($e));
        $shaft = Defaults::TIP_WIDTH / 2;
        // A "level" cue is in truth raised a little: its butt clears the far rail by itself, so only a near one counts.
        if (
            $this->toRail < self::RAIL_BEHIND
            && $height + ($this->toRail - $start) * tan($e) - $shaft / cos($e) < $this->nose
        ) {
            return false;
        }
        foreach ($this->behind as [$back, $aside]) {
            // Distance of the ball's centre from the cue's axis, in the upright plane through the cue.
            $above = ($height - $r) * cos($e) + ($back - $start) * sin($e);
            if (hypot($above, $aside) < $r + $shaft) {
                return false;
            }
        }

        return true;
    }
}
