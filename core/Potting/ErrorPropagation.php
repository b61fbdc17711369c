<?php

declare(strict_types=1);

namespace ZigLane\Core\Potting;

use ZigLane\Core\Aiming\Departure;
use ZigLane\Core\Geometry\Angle;
use ZigLane\Core\Geometry\Point;
use ZigLane\Core\Numerics\NormalDistribution;
use ZigLane\Core\Physics\AimedStroke;
use ZigLane\Core\Physics\CueStrike;
use ZigLane\Core\Player\ExecutionError;
use ZigLane\Core\Settings\Defaults;

/**
 * The chance of one stroke from one place, by propagating the player's errors through DepartureModel.
 *
 * Every edge of the pocket's window becomes a direction of the cue. An error of the tip's height adds to that of the aim as squares;
 * errors of its side, whose squirt and throw work against each other, are summed in steps (TipError), and those of the speed, which
 * also changes the window and may end before the pocket, in even steps. Directions in which another ball is met first are cut out, and
 * strokes beyond the miscue limit.
 *
 * @internal
 */
final readonly class ErrorPropagation
{
    /** Nodes of the speeds in standard deviations, and their weights: a normal error in even steps. */
    private const NODES = [
        [-2.8, 0.00554807],
        [-2.1, 0.03082883],
        [-1.4, 0.10494647],
        [-0.7, 0.21886398],
        [0.0, 0.27962528],
        [0.7, 0.21886398],
        [1.4, 0.10494647],
        [2.1, 0.03082883],
        [2.8, 0.00554807],
    ];

    /** Speeds this many standard deviations off are played; those between go through them by a parabola. */
    private const PLAYED = 2.1;

    /** Chances that differ by less than this have no edge between them. */
    private const SMOOTH = 0.05;

    /** Slowest of them, as a share of the stroke's; errors of speed that are none. */
    private const SLOWEST = 0.05;
    private const NO_ERROR = 1e-6;

    private function __construct(
        private ObjectBall $ball,
        private Point $cue,
        private AimedStroke $stroke,
        private ExecutionError $error,
        private Departure $here,
        private DepartureModel $model,
    ) {}

    /**
     * @param float $rough a chance that must lie below this is given from the error of aim alone, a little too high
     */
    public static function estimate(
        ObjectBall $ball,
        Point $cue,
        AimedStroke $stroke,
        ExecutionError $error,
        float $rough = 0.0,
    ): PotEstimate {
        $here = $ball->departure($cue, $stroke);
        if (null === $here) {
            return PotEstimate::none(NoPot::TooThin);
        }
        $turn = atan2($here->miss, $ball->mouth->distance);
        $self = new self($ball, $cue, $stroke, $error, $here, DepartureModel::about($ball, $cue, $stroke, $turn, $error->aim));
        if ($rough > 0.0) {
            $most = $self->byAimAlone();
            if ($most < $rough) {
                return $self->result($most, 0.0, $error->aim);
            }
        }

        return $self->inFull();
    }

    private function byAimAlone(): float
    {
        $aim = $this->stroke->aim;
        $most = 0.0;
        foreach ($this->ball->window->at($this->here->pace, $this->here->side) as [$low, $high]) {
            $ends = [$this->model->aimFor($low), $this->model->aimFor($high)];
            $most += Intervals::share([min($ends) - $aim, max($ends) - $aim], 0.0, max($this->error->aim, 1e-7), []);
        }

        return $most;
    }

    private function inFull(): PotEstimate
    {
        $aim = $this->stroke->aim;
        $stroke = $this->stroke->stroke;
        $tip = TipError::of($this->ball, $this->cue, $this->stroke, $this->error, $this->model);
        $squirt = CueStrike::squirt($stroke->side, $this->ball->simulator->cue);
        $blocked = BlockedDirections::of($this->ball, $this->cue, $aim - $squirt, $tip->whole);
        $near = [];
        $chance = $this->overSpeeds(function (float $pace, float $shift) use ($aim, $tip, $blocked, &$near): float {
            $chance = 0.0;
            foreach ($this->open($pace, $shift, $near) as [$low, $high]) {
                foreach ($tip->shifts as [$off, $part]) {
                    $chance += $part * Intervals::share([$low - $aim, $high - $aim], $shift + $off, $tip->sigma, $blocked);
                }
            }

            return $chance;
        });
        // Tips beyond the limit are miscues.
        if ($this->error->tip > 1e-9) {
            $chance *= NormalDistribution::share((Defaults::MISCUE_LIMIT + 1e-9 - $stroke->offset()) / $this->error->tip);
        }
        if (0.0 === $chance && [] !== $blocked) {
            return PotEstimate::none(NoPot::Blocked);
        }
        $at = $this->ball->at;
        $cut = Angle::wrap(
            atan2($at->y - $this->here->cueY, $at->x - $this->here->cueX)
            - atan2($this->here->cueY - $this->cue->y, $this->here->cueX - $this->cue->x),
        );

        return $this->result($chance, $cut, $tip->whole);
    }

    /**
     * The mean over errors of speed. Where three speeds tell of no edge between them a parabola does; else in even steps. A stroke so
     * soft that it does not arrive makes nothing.
     *
     * @param \Closure(float, float): float $chance by the ball's pace (m/s) when hit as it is aimed, and the shift of its way as a
     *                                              direction of the cue (rad)
     */
    private function overSpeeds(\Closure $chance): float
    {
        $pace = $this->here->pace;
        $middle = $chance($pace, 0.0);
        if ($this->error->speed <= self::NO_ERROR) {
            return $middle;
        }
        $low = $this->atSpeed(-self::PLAYED);
        $high = $this->atSpeed(self::PLAYED);
        if (null !== $low && null !== $high) {
            [$softer, $harder] = [$chance(...$low), $chance(...$high)];
            if (abs($softer - $middle) < self::SMOOTH && abs($harder - $middle) < self::SMOOTH) {
                return $middle + ($softer + $harder - 2.0 * $middle) / (2.0 * self::PLAYED ** 2);
            }
        }
        $mean = 0.0;
        foreach (self::NODES as [$node, $weight]) {
            if (null === $low || null === $high) {
                $there = 0.0 === $node ? [$pace, 0.0] : $this->atSpeed($node);
            } else {
                $u = $node / self::PLAYED;
                [$before, $after] = [0.5 * $u * ($u - 1.0), 0.5 * $u * ($u + 1.0)];
                $there = [
                    max($before * $low[0] + (1.0 - $u * $u) * $pace + $after * $high[0], self::SLOWEST * $pace),
                    $before * $low[1] + $after * $high[1],
                ];
            }
            $mean += null === $there ? 0.0 : $weight * $chance(...$there);
        }

        return $mean;
    }

    /**
     * Pace and shift so many standard deviations of the speed off; null when the cue ball does not arrive.
     *
     * @return array{float, float}|null
     */
    private function atSpeed(float $node): ?array
    {
        $factor = max(self::SLOWEST, 1.0 + $node * $this->error->speed);
        $stroke = $this->stroke->stroke;
        $there = $this->ball->departure($this->cue, new AimedStroke($this->stroke->aim, $stroke->withSpeed($stroke->speed * $factor)));

        return null === $there
            ? null
            : [$there->pace, (atan2($there->miss, $this->ball->mouth->distance) - $this->model->turn) / $this->model->slope];
    }

    /**
     * Directions of the cue that pot the ball at a pace.
     *
     * @param float             $pace  of the ball when hit as it is aimed, m/s
     * @param float             $shift of the ball's way, as a direction of the cue, rad
     * @param array<int, float> $near  edges of the last pace, to start from; replaced
     *
     * @return list<array{float, float}> rad, ascending
     */
    private function open(float $pace, float $shift, array &$near): array
    {
        $window = $this->ball->window;
        $side = $this->here->side;
        $fullness = $this->model->fullness($this->stroke->aim);
        $open = [];
        foreach ($window->at($pace, $side) as [$low, $high]) {
            $ends = [];
            foreach ([$low, $high] as $which => $edge) {
                $end = $this->model->aimFor($edge, $near[$which] ?? null);
                $near[$which] = $end;
                // A thinner hit sends the ball off more softly, and the window changes with its speed: each edge as at its own.
                $moved = $window->edgeNear($edge, $which, $pace * $this->model->fullness($end + $shift) / $fullness, $side);
                $ends[] = $moved === $edge ? $end : $this->model->aimFor($moved, $end);
            }
            $open[] = [min($ends), max($ends)];
        }

        // Edges that have moved may overlap: nothing counts twice.
        return Intervals::merged($open);
    }

    private function result(float $chance, float $cut, float $sigma): PotEstimate
    {
        return new PotEstimate(
            $chance,
            $this->stroke->aim,
            $cut,
            $this->stroke->stroke->speed,
            $this->here->pace,
            $this->stroke->stroke->elevation,
            $sigma,
            null,
        );
    }
}
