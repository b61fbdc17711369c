<?php

declare(strict_types=1);

namespace ZigLane\Core\Potting;

use ZigLane\Core\Geometry\Angle;
use ZigLane\Core\Geometry\Point;
use ZigLane\Core\Physics\AimedStroke;
use ZigLane\Core\Physics\CueStrike;

/**
 * The direction in which the object ball leaves, by the direction of the cue, about one stroke.
 *
 * Plain geometry (the ghost ball: sin of the contact angle = miss distance / 2R) and a correction for throw, squirt and swerve,
 * which is nearly straight in the aim: a parabola through the simulator's answers at the aim and to either side of it. Directions
 * of the ball are relative to the middle of the mouth.
 *
 * @internal
 */
final readonly class DepartureModel
{
    private const STEP = 1e-5;
    private const CLOSE = 1e-6;

    /** Change of the ball's direction with the cue's; negative. */
    public float $slope;

    /** Direction of the cue, rad, that meets the ball full. */
    private float $middle;

    /**
     * @param float $turn   where the ball goes with the stroke as it is, rad
     * @param float $aim    of the stroke, rad
     * @param float $squirt rad
     * @param float $full   from the cue ball to the ball, rad
     * @param float $limit  half the angle that the ball takes up, rad
     * @param float $toward from the ball to the middle of the mouth, rad
     * @param float $value  correction at the aim, rad
     * @param float $first  its slope
     * @param float $second its bend, 1/rad
     * @param float $reach  the correction is flat beyond, rad from the aim
     */
    private function __construct(
        public float $turn,
        private float $aim,
        private float $squirt,
        private float $full,
        private float $limit,
        private float $toward,
        private float $value,
        private float $first,
        private float $second,
        private float $reach,
    ) {
        $this->middle = $squirt + $full;
        $step = self::STEP;
        $slope = ($this->geometric($aim + $step) - $this->geometric($aim - $step)) / (2 * $step)
            + ($this->correction($step) - $this->correction(-$step)) / (2 * $step);
        $this->slope = abs($slope) < self::CLOSE ? -self::CLOSE : $slope;
    }

    /**
     * @param float $turn  where the ball goes with the stroke as it is, rad from the middle of the mouth
     * @param float $about error of aim that it should serve for, rad
     */
    public static function about(ObjectBall $ball, Point $cue, AimedStroke $stroke, float $turn, float $about): self
    {
        $aim = $stroke->aim;
        $full = atan2($ball->at->y - $cue->y, $ball->at->x - $cue->x);
        $gap = max(hypot($ball->at->x - $cue->x, $ball->at->y - $cue->y), $ball->diameter);
        $limit = asin(min(1.0, $ball->diameter / $gap));
        $squirt = CueStrike::squirt($stroke->stroke->side, $ball->simulator->cue);
        $toward = $ball->mouth->direction;
        $plain = static fn(float $aim): float => self::lineOfCentres(Angle::wrap($aim - $squirt - $full), $limit) + $full - $toward;
        $step = min(1.5 * $about + 1e-4, 0.45 * max($limit - abs(Angle::wrap($aim - $squirt - $full)), 1e-5));
        $value = Angle::wrap($turn - $plain($aim));
        $beside = [];
        foreach ([-$step, $step] as $off) {
            $there = $ball->turn($cue, new AimedStroke($aim + $off, $stroke->stroke));
            if (null !== $there) {
                $beside[] = [$off, Angle::wrap($there - $plain($aim + $off))];
            }
        }
        $first = $second = $reach = 0.0;
        if ([] !== $beside) {
            $reach = 2.0 * abs($beside[0][0]);
            $h = abs($beside[0][0]);
            if (1 === \count($beside)) {
                $first = ($beside[0][1] - $value) / $beside[0][0];
            } else {
                $first = ($beside[1][1] - $beside[0][1]) / (2 * $h);
                $second = ($beside[1][1] - 2 * $value + $beside[0][1]) / (2 * $h * $h);
            }
        }

        return new self($turn, $aim, $squirt, $full, $limit, $toward, $value, $first, $second, $reach);
    }

    /**
     * The direction of the cue (rad) that sends the ball to a direction, between the two thinnest hits.
     *
     * @param float|null $guess one that should be near
     */
    public function aimFor(float $wanted, ?float $guess = null): float
    {
        return $this->fromGuess($wanted, $guess) ?? $this->between($wanted);
    }

    /** Cosine of the cut for a direction of the cue, rad. */
    public function fullness(float $aim): float
    {
        $off = max(-$this->limit, min($this->limit, Angle::wrap($aim - $this->squirt - $this->full)));

        return sqrt(max(1.0 - (sin($off) / sin($this->limit)) ** 2, 1e-4));
    }

    /** By how much the ball passes a wanted direction; the more the cue ball goes right, the more the ball goes left. */
    private function miss(float $aim, float $wanted): float
    {
        return Angle::wrap($this->geometric($aim)) + $this->correction($aim - $this->aim) - $wanted;
    }

    /** A few secant steps usually do. */
    private function fromGuess(float $wanted, ?float $guess): ?float
    {
        if (null === $guess) {
            return null;
        }
        [$one, $two] = [$guess, $guess + 1e-4];
        [$missOne, $missTwo] = [$this->miss($one, $wanted), $this->miss($two, $wanted)];
        for ($i = 0; $i < 3 && $missTwo < $missOne !== $two < $one; ++$i) {
            $at = $two - $missTwo * ($two - $one) / ($missTwo - $missOne);
            if (abs($at - $this->middle) >= $this->limit) {
                break;
            }
            [$one, $missOne] = [$two, $missTwo];
            [$two, $missTwo] = [$at, $this->miss($at, $wanted)];
            if (abs($missTwo) < self::CLOSE) {
                return $two;
            }
        }

        return null;
    }

    /**
     * False position, an end that stays counted by half (M. Dowell and P. Jarratt, "A modified regula falsi method for computing the
     * root of an equation", BIT 11, 1971).
     */
    private function between(float $wanted): float
    {
        $low = $this->middle - $this->limit;
        $high = $this->middle + $this->limit;
        $atLow = $this->miss($low, $wanted);
        $atHigh = $this->miss($high, $wanted);
        if ($atLow <= 0.0 || $atHigh >= 0.0) {
            return $this->near($atLow <= 0.0 ? $low : $high);
        }
        $stayed = 0;
        for ($i = 0; $i < 20; ++$i) {
            $at = ($low * $atHigh - $high * $atLow) / ($atHigh - $atLow);
            $off = $this->miss($at, $wanted);
            if (abs($off) < self::CLOSE) {
                return $this->near($at);
            }
            if ($off > 0.0) {
                $low = $at;
                $atLow = $off;
                $atHigh = 1 === $stayed ? $atHigh / 2 : $atHigh;
                $stayed = 1;
            } else {
                $high = $at;
                $atHigh = $off;
                $atLow = -1 === $stayed ? $atLow / 2 : $atLow;
                $stayed = -1;
            }
        }

        return $this->near(($low + $high) / 2);
    }

    /** The same direction without a full turn more or less than the aim's. */
    private function near(float $aim): float
    {
        return Angle::wrap($aim - $this->aim) + $this->aim;
    }

    private function geometric(float $aim): float
    {
        return self::lineOfCentres(Angle::wrap($aim - $this->squirt - $this->full), $this->limit) + $this->full - $this->toward;
    }

    private function correction(float $off): float
    {
        $off = max(-$this->reach, min($this->reach, $off));

        return $this->value + ($this->first + $this->second * $off) * $off;
    }

    /** Direction of the line of centres, relative to the line to the ball, for a direction of the cue ball. */
    private static function lineOfCentres(float $off, float $limit): float
    {
        $off = max(-$limit, min($limit, $off));

        return $off - asin(max(-1.0, min(1.0, sin($off) / sin($limit))));
    }
}
