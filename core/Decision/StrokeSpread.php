<?php

declare(strict_types=1);

namespace ZigLane\Core\Decision;

use ZigLane\Core\Equipment\BallId;
use ZigLane\Core\Geometry\Point;
use ZigLane\Core\Physics\AimedStroke;
use ZigLane\Core\Physics\CueStrike;
use ZigLane\Core\Physics\LeastElevation;
use ZigLane\Core\Physics\Simulator;
use ZigLane\Core\Physics\Stroke;
use ZigLane\Core\Physics\Tip;
use ZigLane\Core\Rack\Kitchen;
use ZigLane\Core\Rack\Rack;
use ZigLane\Core\Shots\RaisedStrokes;
use ZigLane\Core\Shots\ShotKind;

/**
 * Strokes spread over everything that can be done from a table: every ball that may be hit first from thin to full on both sides, and,
 * where none is seen well, all directions round, off the cushions.
 *
 * @internal
 */
final readonly class StrokeSpread
{
    /** Speeds of the cue, m/s. */
    private const SPEEDS = [0.35, 0.5, 0.7, 1.0, 1.4, 2.0, 2.8, 4.0];
    private const KICK_SPEEDS = [1.0, 1.7, 2.8];

    /** Tips: side and height, radii. */
    private const TIPS = [[0.0, 0.0], [0.0, 0.4], [0.0, -0.4], [0.35, 0.1], [-0.35, 0.1]];
    private const KICK_TIPS = [[0.0, 0.2], [0.35, 0.1], [-0.35, 0.1]];

    /** Directions all round. */
    private const ROUND = 180;

    /** Balls of those that may be hit first that are looked at, the nearest first, and how many of them as closely as one alone. */
    private const BALLS = 4;
    private const CLOSELY = 2;

    /** Hidden balls that are jumped and swerved at; how far aside of them (rad; null for as they are hit), in so many steps to a side. */
    private const RAISED = 1;
    private const RAISED_AT = [[ShotKind::Jump, null, 2], [ShotKind::Swerve, 0.5, 10]];

    /** From so much of a ball seen on there is no need to kick. */
    private const SEEN = 0.2;

    private const GOLDEN = 0.618_033_988_749_895;

    private Simulator $simulator;

    public function __construct(private Rack $rack)
    {
        $this->simulator = $rack->simulator();
    }

    /**
     * @param int $every so manieth of them
     *
     * @return list<AimedStroke>
     */
    public function strokes(int $every = 1): array
    {
        $layout = $this->rack->layout;
        $balls = $layout->nearestTo($layout->ball(BallId::CUE), Kitchen::targets($this->rack));
        $diameter = 2 * $this->simulator->ball->radius;
        $strokes = [];
        $seen = 0.0;
        foreach (\array_slice($balls, 0, self::BALLS) as $ball) {
            $directions = Sight::directions($layout, $ball, $diameter);
            $seen = max($seen, Sight::of($layout, $ball, $diameter));
            array_push($strokes, ...$this->along($directions, self::TIPS, self::SPEEDS));
        }
        if ($seen < self::SEEN) {
            $round = array_map(static fn(int $n): float => 2 * M_PI * $n / self::ROUND, range(0, self::ROUND - 1));
            array_push($strokes, ...$this->along($round, self::KICK_TIPS, self::KICK_SPEEDS));
            foreach ($this->rack->house->jumps ? \array_slice($balls, 0, self::RAISED) : [] as $ball) {
                array_push($strokes, ...$this->raisedAt($layout->ball($ball)));
            }
        }

        // By the golden ratio, evenly whatever the strokes are sorted by: every eighth would have the same speed.
        $step = $every * max(1.0, min(self::BALLS, \count($balls)) / self::CLOSELY);
        $taken = static fn(int $n): bool => fmod($n * self::GOLDEN, 1.0) * $step < 1.0;

        return array_values(array_filter($strokes, $taken, \ARRAY_FILTER_USE_KEY));
    }

    /** A stroke with the cue raised as far as it must be, or as it is where jumps are allowed; null when it cannot be played. */
    public function raised(AimedStroke $stroke): ?AimedStroke
    {
        $tip = new Tip($stroke->stroke->side, $stroke->stroke->height);
        $least = LeastElevation::of($this->rack->layout, $stroke->aim, $tip, $this->simulator->geometry, $this->simulator->ball);

        if ($this->rack->house->jumps) {
            $least = max($least, $stroke->stroke->elevation);
        }

        return is_finite($least) ? new AimedStroke($stroke->aim, $stroke->stroke->raised($least)) : null;
    }

    /**
     * A stroke a step away from another.
     *
     * @param float                $times the speed
     * @param float                $turn  of the direction, rad
     * @param array{float, float} $tip   by which the tip goes aside and up, radii
     * @param float                $most  how far the tip may be from the middle, radii
     *
     * @return AimedStroke|null null when it cannot be played
     */
    public function near(AimedStroke $from, float $times, float $turn, array $tip, float $most): ?AimedStroke
    {
        $stroke = $from->stroke;
        $other = $stroke->withTip($stroke->side + $tip[0], $stroke->height + $tip[1])->withSpeed($stroke->speed * $times);

        return $other->offset() > $most ? null : $this->raised(new AimedStroke($from->aim + $turn, $other));
    }

    /**
     * Jumps and swerves at a hidden ball.
     *
     * @return list<AimedStroke>
     */
    private function raisedAt(Point $ball): array
    {
        $cue = $this->rack->layout->ball(BallId::CUE);
        $way = $cue->angleTo($ball);
        $half = asin(min(1.0, 2 * $this->simulator->ball->radius / max(0.01, $cue->distanceTo($ball))));
        $strokes = [];
        foreach (self::RAISED_AT as [$kind, $aside, $steps]) {
            foreach (RaisedStrokes::all($kind) as $stroke) {
                $squirt = CueStrike::squirt($stroke->side, $this->simulator->cue, $stroke->elevation);
                for ($n = -$steps; $n <= $steps; ++$n) {
                    $strokes[] = new AimedStroke($way + ($aside ?? 0.8 * $half) * $n / $steps + $squirt, $stroke);
                }
            }
        }

        return $strokes;
    }

    /**
     * @param list<float>                $directions of the cue ball, rad
     * @param list<array{float, float}> $tips
     * @param list<float>                $speeds     m/s
     *
     * @return list<AimedStroke>
     */
    private function along(array $directions, array $tips, array $speeds): array
    {
        $cue = $this->simulator->cue;
        $strokes = [];
        foreach ($directions as $direction) {
            foreach ($tips as [$side, $height]) {
                // The cue ball leaves aside of the cue.
                $aim = $direction + CueStrike::squirt($side, $cue);
                $level = $this->raised(new AimedStroke($aim, new Stroke(0.0, $side, $height)));
                if (null !== $level) {
                    foreach ($speeds as $speed) {
                        $strokes[] = new AimedStroke($aim, $level->stroke->withSpeed($speed));
                    }
                }
            }
        }

        return $strokes;
    }
}
