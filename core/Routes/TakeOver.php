<?php

declare(strict_types=1);

namespace ZigLane\Core\Routes;

use ZigLane\Core\Aiming\AimRefused;
use ZigLane\Core\Aiming\AimRequest;
use ZigLane\Core\Aiming\AimSolver;
use ZigLane\Core\Aiming\Pot;
use ZigLane\Core\Physics\Shot;
use ZigLane\Core\Physics\Simulator;
use ZigLane\Core\Physics\Speed;
use ZigLane\Core\Physics\Stroke;
use ZigLane\Core\Physics\TableLengths;
use ZigLane\Core\Physics\Tip;
use ZigLane\Core\Rack\Rack;
use ZigLane\Core\Rack\ShotSpec;

/**
 * A shot found by search as one a leg can state: the part of the pocket is found that makes the aim solver point the cue
 * the same way.
 */
final class TakeOver
{
    private const STEPS = 10;

    /** Parts of the pocket that are tried from the outside in. */
    private const PARTS = [1.0, 0.9, 0.75, 0.5, 0.25];

    /** Rounded to what a player can set: lengths, and ball radii. */
    public const LENGTHS = 2;
    private const TIP = 2;

    private function __construct() {}

    /** A stroke rounded to what a player can set. */
    public static function settable(Simulator $simulator, Stroke $stroke): Stroke
    {
        $lengths = new TableLengths($simulator);

        return new Stroke(
            $lengths->toSpeed(round($lengths->ofSpeed($stroke->speed), self::LENGTHS)),
            round($stroke->side, self::TIP),
            round($stroke->height, self::TIP),
        );
    }

    /** @param Rack $rack as the shot finds it */
    public static function spec(Rack $rack, Pot $pot, Shot $shot): ShotSpec
    {
        $simulator = $rack->simulator();
        $lengths = new TableLengths($simulator);
        $tip = new Tip(round($shot->tip->side, self::TIP), round($shot->tip->height, self::TIP));
        $speed = Speed::tableLengths(round($lengths->ofSpeed($shot->speed), self::LENGTHS));
        $mps = $lengths->toSpeed((float) $speed->lengths);
        $solver = new AimSolver($simulator);
        $miss = static function (float $offset) use ($solver, $rack, $pot, $mps, $tip, $shot): ?float {
            try {
                return $solver->solve(
                    $rack->layout,
                    new AimRequest($pot->ball, $pot->pocket, $mps, $tip, $shot->elevation, $offset),
                )->shot->aim - $shot->aim;
            } catch (AimRefused) {
                return null;
            }
        };
        // The aim turns one way as the part of the pocket goes the other: halve between the ends that can be aimed at.
        [$low, $atLow] = self::outermost($miss, -1.0);
        [$high, $atHigh] = self::outermost($miss, 1.0);
        $offset = 0.0;
        if (null !== $atLow && null !== $atHigh) {
            if ($atLow * $atHigh > 0.0) {
                $offset = abs($atLow) < abs($atHigh) ? $low : $high;
            } else {
                for ($i = 0; $i < self::STEPS; ++$i) {
                    $offset = ($low + $high) / 2;
                    $at = $miss($offset);
                    if (null === $at) {
                        break;
                    }
                    if ($at * $atLow > 0.0) {
                        $low = $offset;
                    } else {
                        $high = $offset;
                    }
                }
            }
        }

        return ShotSpec::toPocket($pot, $speed, $tip, round($offset, 2), 0.0);
    }

    /**
     * The outermost part of the pocket on one side that can be aimed at, and what is missed there; null where none can.
     *
     * @param \Closure(float): (float|null) $miss by part of the pocket
     *
     * @return array{float, float|null}
     */
    private static function outermost(\Closure $miss, float $side): array
    {
        foreach (self::PARTS as $part) {
            $at = $miss($side * $part);
            if (null !== $at) {
                return [$side * $part, $at];
            }
        }

        return [0.0, $miss(0.0)];
    }
}
