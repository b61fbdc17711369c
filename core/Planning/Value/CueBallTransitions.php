<?php

declare(strict_types=1);

namespace ZigLane\Core\Planning\Value;

use ZigLane\Core\Aiming\Pot;
use ZigLane\Core\Geometry\Point;
use ZigLane\Core\Parallel\Packed;
use ZigLane\Core\Physics\Layout;
use ZigLane\Core\Settings\Defaults;

/**
 * Where potting one ball in one pocket can carry the cue ball, by cut and side spin: worked out as far as it is asked for.
 *
 * @internal
 */
final class CueBallTransitions
{
    /** The cue ball must have had room this far before the contact, m. */
    private const ROOM = 0.06;

    /** Where it would stop is carried on at this pace of the object ball, m/s, when it reaches the pocket. */
    private const PACE = 0.3;

    /** A contact so far inside a rail (in radii) is still played. */
    private const INSIDE = 0.25;

    /** @var list<int> lowest speed that brings the ball to the pocket, by cut; SPEEDS for none */
    public readonly array $slowest;

    public readonly Point $from;
    public readonly float $toward;

    /** @var array<int, CutTransitions> by cut and side */
    private array $cuts = [];

    public function __construct(private readonly PlanningGrids $grids, Layout $layout, Pot $pot)
    {
        $simulator = $grids->simulator;
        $this->from = $layout->ball($pot->ball);
        $mouth = $simulator->geometry->pocket($pot->pocket)->entrance($this->from);
        $this->toward = $this->from->angleTo($mouth);
        $need = 1.4 * sqrt(self::PACE ** 2 + 2 * $simulator->table->cloth->roll * Defaults::GRAVITY * $this->from->distanceTo($mouth));
        $push = (1 + $simulator->ball->restitution) / 2;
        $this->slowest = array_map(function (int $c) use ($need, $push): int {
            $cut = ArrivalGrid::cut($c);
            $step = ceil(log($need / (cos($cut) * $push) / ArrivalSteps::SLOWEST) / log(ArrivalSteps::RUNG));

            return $this->hasRoom($cut) ? (int) max(0, min(ArrivalSteps::SPEEDS, $step)) : ArrivalSteps::SPEEDS;
        }, range(0, ArrivalGrid::CUTS - 1));
    }

    /** At one cut with one side spin, as places on their ladders. */
    public function at(int $cut, int $side): CutTransitions
    {
        $place = TransitionsNeeded::place($cut, $side);

        return $this->cuts[$place] ??= CutTransitions::of($this->grids, $place, $this->slowest[$cut], $this->from, $this->toward);
    }

    /** Whether all of that has been worked out. */
    public function covers(TransitionsNeeded $needed): bool
    {
        return [] === array_diff($needed->places(), array_keys($this->cuts));
    }

    /** Works out what is missing of it, as bytes for another process. */
    public function packed(TransitionsNeeded $needed): string
    {
        $packed = new Packed();
        $missing = array_values(array_diff($needed->places(), array_keys($this->cuts)));
        $packed->addIntegers($missing);
        foreach ($missing as $place) {
            $this->at(...TransitionsNeeded::cutAndSide($place))->pack($packed);
        }

        return $packed->bytes();
    }

    /** Works out what is missing of it. */
    public function make(TransitionsNeeded $needed): void
    {
        foreach ($needed->places() as $place) {
            $this->at(...TransitionsNeeded::cutAndSide($place));
        }
    }

    /** Takes over what packed() wrote. */
    public function learn(string $bytes): void
    {
        $packed = new Packed($bytes);
        foreach ($packed->integers() as $place) {
            $this->cuts[$place] = CutTransitions::unpacked($packed, $this->grids);
        }
    }

    /** Whether the cue ball can lie at the contact, and a little before it. */
    private function hasRoom(float $cut): bool
    {
        $far = 2 * $this->grids->simulator->ball->radius;
        $ghost = $this->from->toward($this->toward, -$far);
        $place = $ghost->toward($this->toward - $cut, -self::ROOM);
        $g = $this->grids->simulator->geometry;
        $reach = $g->reach - 1e-6;

        // For a frozen ball the contact lies a little inside the rail: the ball is sent to a part of the mouth further in.
        return ($g->canRest($ghost) || $ghost->distanceTo($g->onBed($ghost)) < self::INSIDE * $g->reach)
            && $place->x > $reach && $place->y > $reach && $place->x < $g->length - $reach && $place->y < $g->width - $reach;
    }
}
