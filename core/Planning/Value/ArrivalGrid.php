<?php

declare(strict_types=1);

namespace ZigLane\Core\Planning\Value;

use ZigLane\Core\Physics\CueStrike;
use ZigLane\Core\Physics\Simulator;
use ZigLane\Core\Physics\Stroke;
use ZigLane\Core\Settings\Defaults;

/**
 * The steps in which a cue ball's arrival at the contact is told apart: cut, how far it rolls, side spin, speed. And which of
 * these arrivals can be played from how far away, and with which stroke.
 *
 * A stroke low on the ball loses its draw on the way: worked backward from the contact with the slide's constant
 * deceleration μs g and spin gain 5/2 μs g (closed form of the motion on the cloth, see Physics\Internal\Kernel).
 *
 * @internal
 */
final class ArrivalGrid
{
    /** Cuts, degrees, signed as in PotReading. */
    public const WIDEST = 70;
    public const CUT_STEP = 10;

    /** For a first look every so manieth is played. */
    public const COARSE = 2;
    public const CUTS = 2 * self::WIDEST / self::CUT_STEP + 1;

    /** Tip beyond which a stroke is not counted on, radii. */
    private const MOST_TIP = 0.46;
    private const SIDE_TIP = 0.3;

    /** Tip of a rolling stroke, radii. */
    private const ROLLING_TIP = 0.28;

    /** Cue speeds counted on, m/s. */
    private const FASTEST = 6.5;

    /** @var list<float> */
    public readonly array $speeds;

    /** @var list<Stroke|null> by roll, side, speed and distance: see ArrivalIndex::strokeEntry() */
    public readonly array $strokes;

    public readonly Departures $departures;

    public function __construct(Simulator $simulator)
    {
        $this->departures = new Departures($simulator);
        $speeds = [];
        for ($k = 0; $k < ArrivalSteps::SPEEDS; ++$k) {
            $speeds[] = ArrivalSteps::SLOWEST * ArrivalSteps::RUNG ** $k;
        }
        $this->speeds = $speeds;
        $strokes = [];
        foreach (ArrivalIndex::all() as $index) {
            foreach ($speeds as $speed) {
                foreach (ArrivalSteps::DISTANCES as $distance) {
                    $strokes[] = self::stroke($simulator, $index->arrival($speed), $distance);
                }
            }
        }
        $this->strokes = $strokes;
    }

    /**
     * The stroke that arrives so.
     *
     * @param float $distance to the contact, m
     *
     * @return Stroke|null null when no stroke does
     */
    public static function stroke(Simulator $simulator, CueBallArrival $arrival, float $distance): ?Stroke
    {
        [$roll, $side, $speed] = [$arrival->roll, $arrival->side, $arrival->speed];
        $cloth = $simulator->table->cloth;
        $g = Defaults::GRAVITY;
        $a = 0.0 === $side ? 0.0 : ($side > 0 ? self::SIDE_TIP : -self::SIDE_TIP);
        if ($roll >= 1.0) {
            // Where there is no room to roll first, as high as rolls at once.
            $slides = 2 * (1 - 2.5 * self::ROLLING_TIP) * $speed / (7 * $cloth->slide * $g);
            $b = $slides * $speed < $distance ? self::ROLLING_TIP : 0.4;
            $first = sqrt($speed * $speed + 2 * $cloth->roll * $g * $distance) * 7 / (5 + 5 * $b);
        } else {
            $slow = $cloth->slide * $g;
            $first = sqrt($speed * $speed + 2 * $slow * $distance);
            $b = ($roll * $speed - 2.5 * ($first - $speed)) / (2.5 * $first);
            if ($b > self::MOST_TIP || hypot($a, $b) > self::MOST_TIP) {
                return null;
            }
        }
        $fast = $first / CueStrike::gain($a, $b, $simulator->cue, $simulator->ball);

        return $fast > self::FASTEST ? null : new Stroke($fast, $a, $b);
    }

    /**
     * A cut on the ladder of cuts.
     *
     * @param float $cut rad
     *
     * @return float steps from the widest cut to the left, 0 … CUTS − 1
     */
    public static function cutStep(float $cut): float
    {
        return max(0.0, min(self::CUTS - 1.0, (rad2deg($cut) + self::WIDEST) / self::CUT_STEP));
    }

    /** A cut of the ladder, rad, signed as in PotReading. */
    public static function cut(int $step): float
    {
        return deg2rad($step * self::CUT_STEP - self::WIDEST);
    }

    /** The place in DISTANCES that a distance (m) counts as. */
    public static function distance(float $d): int
    {
        return $d < 0.4 ? 0 : ($d < 0.8 ? 1 : ($d < 1.4 ? 2 : 3));
    }
}
