<?php

declare(strict_types=1);

namespace ZigLane\Core\Potting;

use ZigLane\Core\Geometry\Point;
use ZigLane\Core\Physics\AimedStroke;
use ZigLane\Core\Player\ExecutionError;

/**
 * What a player's errors of aim and tip do to the ball's way, as directions of the cue: a normal error, and shifts of it with their
 * weights where the tip's side does not act in proportion.
 *
 * @internal
 */
final readonly class TipError
{
    /** Tips to the side that are tried, in standard deviations; what side does turns over as it grows. */
    private const SIDES = [-3, -1, 0, 1, 3];

    /** What side does counts as straight when it bends by less than this share of the whole error. */
    private const STRAIGHT = 0.06;

    /** Step between shifts and the last of them, in standard deviations. */
    private const SIDE_STEP = 0.64;
    private const SIDE_LAST = 3.2;

    /**
     * @param list<array{float, float}> $shifts shift (rad) and weight, the weights together 1
     * @param float                     $sigma  of the error about each shift, rad
     * @param float                     $whole  of all of it, rad
     */
    private function __construct(public array $shifts, public float $sigma, public float $whole) {}

    /** The errors of a stroke, about which the model has been made. */
    public static function of(ObjectBall $ball, Point $cue, AimedStroke $stroke, ExecutionError $error, DepartureModel $model): self
    {
        $turn = $model->turn;
        $turned = static fn(float $side, float $height): ?float => $ball->turn(
            $cue,
            new AimedStroke($stroke->aim, $stroke->stroke->withTip($stroke->stroke->side + $side, $stroke->stroke->height + $height)),
        );
        $height = $error->tip > 0.0 ? $turned(0.0, $error->tip) : null;
        $byHeight = null === $height ? 0.0 : ($height - $turn) / $model->slope;
        $sigma = max(sqrt($error->aim ** 2 + $byHeight ** 2), 1e-7);
        // Shifts of the ball's way at five tips, as directions of the cue; finer between them by interpolation.
        $shifts = [];
        foreach (self::SIDES as $z) {
            $there = 0 === $z || 0.0 === $error->tip ? $turn : $turned($z * $error->tip, 0.0);
            $shifts[] = null === $there ? null : ($there - $turn) / $model->slope;
        }
        // Where the tip's error alone would miss the ball, go on as it began.
        $shifts = [$shifts[0] ?? 3 * ($shifts[1] ?? 0.0), $shifts[1] ?? 0.0, 0.0, $shifts[3] ?? 0.0, $shifts[4] ?? 3 * ($shifts[3] ?? 0.0)];
        $sides = self::fine($shifts);
        $square = array_sum(array_map(static fn(array $s): float => $s[1] * $s[0] * $s[0], $sides));
        $whole = sqrt($sigma * $sigma + $square);

        // Where what side does goes straight up with it, it adds as squares like the rest.
        return self::isStraight($shifts, self::STRAIGHT * $whole)
            ? new self([[0.0, 1.0]], $whole, $whole)
            : new self($sides, $sigma, $whole);
    }

    /**
     * @param non-empty-list<float> $shifts at SIDES
     */
    private static function isStraight(array $shifts, float $within): bool
    {
        $slope = ($shifts[4] - $shifts[0]) / 6;

        return abs($shifts[1] + $slope) < $within && abs($shifts[3] - $slope) < $within
            && abs($shifts[0] + 3 * $slope) < 3 * $within && abs($shifts[4] - 3 * $slope) < 3 * $within;
    }

    /**
     * A normal error of the tip's side in fine steps.
     *
     * @param non-empty-list<float> $shifts at SIDES, nothing at 0
     *
     * @return list<array{float, float}> [shift, weight], the weights together 1
     */
    private static function fine(array $shifts): array
    {
        if ([0.0] === array_values(array_unique($shifts))) {
            return [[0.0, 1.0]];
        }
        $sides = [];
        $sum = 0.0;
        for ($z = -self::SIDE_LAST; $z < self::SIDE_LAST + 0.1; $z += self::SIDE_STEP) {
            // Through the three nearest of the five: 0 and one and three to this side.
            [$near, $far] = $z < 0.0 ? [$shifts[1], $shifts[0]] : [$shifts[3], $shifts[4]];
            $u = abs($z);
            $shift = $near * $u * (3 - $u) / 2 + $far * $u * ($u - 1) / 6;
            $weight = exp(-0.5 * $z * $z);
            $sides[] = [$shift, $weight];
            $sum += $weight;
        }

        return array_map(static fn(array $s): array => [$s[0], $s[1] / $sum], $sides);
    }
}
