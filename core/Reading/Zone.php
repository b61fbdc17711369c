<?php

declare(strict_types=1);

namespace ZigLane\Core\Reading;

use ZigLane\Core\Aiming\Pot;
use ZigLane\Core\Geometry\Angle;
use ZigLane\Core\Geometry\Point;
use ZigLane\Core\Geometry\Region;
use ZigLane\Core\Physics\Layout;
use ZigLane\Core\Physics\Simulator;
use ZigLane\Core\Potting\PotChance;
use ZigLane\Core\Settings\Defaults;

/**
 * The position zone of a ball and a pocket: where the cue ball should come to lie.
 */
final readonly class Zone
{
    /** Graded contours drawn beside the zone itself. */
    public const GRADES = [0.5, 0.9];

    /**
     * @param Region                    $region     places with at least the chance, and an angle that leads on
     * @param Region                    $whole      places with at least the chance, whatever comes after
     * @param array<string, Region>     $grades     the same for other chances, by their value
     * @param Point|null                $best       the place to play for; null when the zone is empty
     * @param list<array{Point, Point}> $boundaries the two lines that bound it, from the ball outward
     * @param array{Point, Point}       $line       the line of the shot: from the ball straight back
     * @param string|null               $rightSide  "left" or "right" of that line as the player stands
     */
    private function __construct(
        public Pot $pot,
        public float $chance,
        public Region $region,
        public Region $whole,
        public array $grades,
        public ?Point $best,
        public array $boundaries,
        public array $line,
        public ?string $rightSide,
        public ChanceMap $map,
    ) {}

    /** The zone of a pot: where its chance is at least the one asked for, 0–1. */
    public static function of(
        Simulator $simulator,
        Layout $layout,
        PotChance $pot,
        ?GoingOn $goingOn = null,
        float $chance = Defaults::ZONE_CHANCE,
    ): self {
        $map = ChanceMap::of($simulator, $pot, [$chance, ...self::GRADES]);
        $at = $layout->ball($pot->pot->ball);
        $toward = $pot->window()->toward;
        // Falling off through the chance asked for where an angle stops to lead on: so the outline runs along that angle.
        $kept = null === $goingOn ? $map : $map->capped(
            static fn(float $x, float $y): float => $chance + $goingOn->margin($pot->cutFrom($x, $y)),
        );
        $region = $kept->region($chance);
        // Nothing leads on: then the zone is what pots the ball.
        if ($region->isEmpty()) {
            [$kept, $region] = [$map, $map->region($chance)];
        }
        $grades = [];
        foreach (self::GRADES as $grade) {
            $grades[(string) $grade] = $map->region($grade);
        }

        return new self(
            $pot->pot,
            $chance,
            $region,
            $map->region($chance),
            $grades,
            $kept->best($chance),
            self::boundaries($region, $at, $pot),
            [$at, $at->toward($toward, -self::back($simulator, $at, $toward))],
            $goingOn?->rightSide(),
            $map,
        );
    }

    /**
     * @return list<array{Point, Point}>
     */
    private static function boundaries(Region $region, Point $at, PotChance $pot): array
    {
        $ends = [];
        foreach ($region->rings as $ring) {
            foreach ($ring as $p) {
                // Close to the ball every angle is inside: the lines are those of the part further off.
                if ($p->distanceTo($at) > 0.2) {
                    $cut = $pot->cutFrom($p->x, $p->y);
                    if (!isset($ends['low']) || $cut < $ends['low'][0]) {
                        $ends['low'] = [$cut, $p];
                    }
                    if (!isset($ends['high']) || $cut > $ends['high'][0]) {
                        $ends['high'] = [$cut, $p];
                    }
                }
            }
        }

        return array_map(static fn(array $end): array => [$at, $end[1]], array_values($ends));
    }

    /** From the ball straight back to the rail, m. */
    private static function back(Simulator $simulator, Point $at, float $toward): float
    {
        $g = $simulator->geometry;
        $dx = -cos($toward);
        $dy = -sin($toward);

        return min(
            abs($dx) < 1e-9 ? INF : (($dx > 0 ? $g->length : 0.0) - $at->x) / $dx,
            abs($dy) < 1e-9 ? INF : (($dy > 0 ? $g->width : 0.0) - $at->y) / $dy,
        );
    }
}
