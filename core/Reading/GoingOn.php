<?php

declare(strict_types=1);

namespace ZigLane\Core\Reading;

use ZigLane\Core\Geometry\Point;
use ZigLane\Core\Physics\Layout;
use ZigLane\Core\Physics\Simulator;
use ZigLane\Core\Potting\PotChance;
use ZigLane\Core\Settings\Defaults;

/**
 * From which cut angles a ball leads on to the one after it: for each angle a few ordinary strokes without side are played,
 * and those count that leave the following ball likely enough.
 */
final readonly class GoingOn
{
    /** Cuts tried, degrees: this far to either side, in such steps. */
    private const WIDEST = 60;
    private const STEP = 15;

    /** A cut that leads on stands for those this near, degrees. */
    private const AROUND = 10;

    /**
     * @param list<array{int, float}> $shares [cut in degrees, signed as in PotReading; share of strokes that lead on]
     */
    private function __construct(public array $shares) {}

    /**
     * @param list<PotChance> $after  pots of the following ball, without the first on the table
     * @param float           $chance that the following ball must be left at
     */
    public static function of(
        Simulator $simulator,
        Layout $layout,
        PotChance $pot,
        array $after,
        float $chance = Defaults::ZONE_CHANCE,
    ): self {
        $strokes = new OrdinaryStrokes($simulator, $layout, $pot);
        $shares = [];
        for ($cut = -self::WIDEST; $cut <= self::WIDEST; $cut += self::STEP) {
            $stops = $strokes->stops(deg2rad($cut));
            $led = array_filter($stops, static fn(?Point $stop): bool => null !== $stop && self::isLeft($stop, $after, $chance));
            $shares[] = [$cut, [] === $stops ? 0.0 : \count($led) / \count($stops)];
        }

        return new self($shares);
    }

    /**
     * Whether a place leaves one of the pots likely enough.
     *
     * @param list<PotChance> $after
     */
    private static function isLeft(Point $stop, array $after, float $chance): bool
    {
        foreach ($after as $next) {
            if ($next->fromPlace($stop->x, $stop->y, $chance)->chance >= $chance) {
                return true;
            }
        }

        return false;
    }

    /**
     * The side of the shot's line from which the cue ball goes on more easily: "left" or "right" as the player stands;
     * null when it makes no odds.
     */
    public function rightSide(): ?string
    {
        $left = $right = 0.0;
        foreach ($this->shares as [$cut, $share]) {
            // Cutting the ball to the right, the cue ball lies to the left of the line.
            if ($cut > 0) {
                $left += $share;
            } elseif ($cut < 0) {
                $right += $share;
            }
        }

        return match (true) {
            $left > 1.25 * $right + 0.3 => 'left',
            $right > 1.25 * $left + 0.3 => 'right',
            default => null,
        };
    }

    /** Whether the ball after can be reached from a cut, rad: at least one of the strokes from a cut near it leads on. */
    public function leadsOn(float $cut): bool
    {
        return $this->margin($cut) >= 0.0;
    }

    /** How far a cut (rad) lies inside what leads on, rad; negative outside. */
    public function margin(float $cut): float
    {
        $degrees = rad2deg($cut);
        $best = -180.0;
        foreach ($this->bands() as [$low, $high]) {
            $best = max($best, min($degrees - $low, $high - $degrees));
        }

        return deg2rad($best);
    }

    /**
     * The cuts that lead on, each standing for those around it.
     *
     * @return list<array{float, float}> degrees, ascending
     */
    private function bands(): array
    {
        $bands = [];
        foreach ($this->shares as [$at, $share]) {
            if ($share > 0.0) {
                $last = \count($bands) - 1;
                if ($last >= 0 && $bands[$last][1] >= $at - self::AROUND) {
                    $bands[$last][1] = (float) $at + self::AROUND;
                } else {
                    $bands[] = [(float) $at - self::AROUND, (float) $at + self::AROUND];
                }
            }
        }

        return $bands;
    }

    /** Mean share over all cuts: how natural it is to go on. */
    public function ease(): float
    {
        return array_sum(array_column($this->shares, 1)) / \count($this->shares);
    }
}
