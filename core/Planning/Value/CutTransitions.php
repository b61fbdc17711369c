<?php

declare(strict_types=1);

namespace ZigLane\Core\Planning\Value;

use ZigLane\Core\Geometry\Point;
use ZigLane\Core\Parallel\Packed;
use ZigLane\Core\Physics\BallStates;
use ZigLane\Core\Physics\Layout;

/**
 * Where potting one ball in one pocket can carry the cue ball when it is cut so, with one side spin: for every roll and speed of
 * ArrivalSteps the way it goes and where it stops, alone on the table. What other balls it would meet is asked of a layout afterwards
 * (touched()), so that one table serves however the others lie.
 *
 * Played for some of the speeds; those between are the same way cut short: what a slower ball lacks in energy at the end of its
 * slide shrinks at every cushion, and while it slides, by the share that is left.
 *
 * @internal
 */
final class CutTransitions
{
    /** Rest of a cue ball that falls, or of an arrival that cannot be. */
    public const GONE = -1.0;

    /** A slide is drawn in so many chords. */
    private const CHORDS = 3;

    /** @var list<float> rest by roll and speed (see ArrivalIndex::first()), m; GONE */
    public array $x = [];

    /** @var list<float> m */
    public array $y = [];

    /** @var list<int> run by entry, −1 for none */
    public array $run = [];

    /** @var list<float> where on the run's chords the entry stops: chord and share */
    public array $stop = [];

    /** @var list<list<float>> corners of the chords, x and y in turn, by run */
    public array $ways = [];

    private WayMeetings $meetings;

    /** @var list<int> lower node of the rest's cell, and where in it, by entry */
    public array $node = [];

    /** @var list<float> */
    public array $s = [];

    /** @var list<float> */
    public array $t = [];

    private function __construct(private readonly PlanningGrids $grids) {}

    /**
     * Played.
     *
     * @param int   $place   cut and side, see TransitionsNeeded::place()
     * @param int   $slowest lowest speed that brings the ball to the pocket; SPEEDS for none
     * @param Point $from    where the ball lies
     * @param float $toward  where it is sent, rad
     */
    public static function of(PlanningGrids $grids, int $place, int $slowest, Point $from, float $toward): self
    {
        [$cut, $side] = TransitionsNeeded::cutAndSide($place);
        $made = new self($grids);
        foreach (ArrivalIndex::all() as $index) {
            if ($index->side === $side) {
                $made->ladder($cut, $index, $slowest, $from, $toward);
            }
        }
        $made->finish();

        return $made;
    }

    /** As pack() wrote it. */
    public static function unpacked(Packed $packed, PlanningGrids $grids): self
    {
        $made = new self($grids);
        $made->run = $packed->integers();
        $made->x = $packed->floats();
        $made->y = $packed->floats();
        $made->stop = $packed->floats();
        $lengths = $packed->integers();
        $corners = $packed->floats();
        $at = 0;
        foreach ($lengths as $length) {
            $made->ways[] = \array_slice($corners, $at, $length);
            $at += $length;
        }
        $made->finish();

        return $made;
    }

    /** Everything in it, for another process. */
    public function pack(Packed $packed): void
    {
        $packed->addIntegers($this->run);
        $packed->addFloats($this->x);
        $packed->addFloats($this->y);
        $packed->addFloats($this->stop);
        $packed->addIntegers(array_map(\count(...), $this->ways));
        $packed->addFloats(array_merge(...$this->ways));
    }

    /** What follows from where the cue ball stops and from its ways. */
    private function finish(): void
    {
        $this->meetings = new WayMeetings($this->ways, 2 * $this->grids->simulator->ball->radius);
        foreach ($this->x as $entry => $x) {
            $cell = $x > 0.0 ? $this->grids->positions->cell($x, $this->y[$entry]) : null;
            $this->node[] = $cell->node ?? -1;
            $this->s[] = $cell->along ?? 0.0;
            $this->t[] = $cell->across ?? 0.0;
        }
    }

    /**
     * Balls of a layout that the cue ball meets before it stops, by entry.
     *
     * @return list<int> one bit for each ball number
     */
    public function touched(Layout $layout, int $ball): array
    {
        $first = [];
        foreach ($layout->objectBalls() as $id) {
            if ($id !== $ball) {
                foreach ($this->meetings->with($layout->ball($id)) as $run => $at) {
                    $first[$run][$id] = $at;
                }
            }
        }
        $masks = [];
        foreach ($this->run as $entry => $run) {
            $mask = 0;
            foreach ($first[$run] ?? [] as $id => $at) {
                if ($at < $this->stop[$entry]) {
                    $mask |= 1 << $id;
                }
            }
            $masks[] = $mask;
        }

        return $masks;
    }

    /** All speeds of one kind of arrival. */
    private function ladder(int $cut, ArrivalIndex $index, int $slowest, Point $from, float $toward): void
    {
        $arrivals = $this->grids->arrivals;
        $simulator = $this->grids->simulator;
        $base = $index->entry($cut);
        $angle = ArrivalGrid::cut($cut);
        $k = ArrivalSteps::SPEEDS - 1;
        $xs = $ys = $runs = $stops = [];
        while ($k >= 0) {
            if ($k < $slowest) {
                [$xs[$k], $ys[$k], $runs[$k], $stops[$k]] = [self::GONE, self::GONE, -1, 0.0];
                --$k;
                continue;
            }
            // The cue ball alone: the ball it has hit is on its way to the pocket.
            $arrival = $index->arrival($arrivals->speeds[$k]);
            $state = $arrivals->departures->cueBall($base + $k, $angle, $arrival, $from, $toward);
            $simulator->run($state, record: true);
            $down = $state->isDown(0);
            [$way, $energy] = $this->way($state);
            $this->ways[] = $way;
            $run = \count($this->ways) - 1;
            $chords = (\count($way) >> 1) - 1;
            [$xs[$k], $ys[$k], $runs[$k], $stops[$k]] = $down ? [self::GONE, self::GONE, $run, (float) $chords] : [
                $state->x[0],
                $state->y[0],
                $run,
                (float) $chords,
            ];
            $next = $k - 1;
            for ($n = 1; !$down && $n < ($k > ArrivalSteps::FAST ? 2 : ArrivalSteps::SKIP) && $next >= $slowest; ++$n, --$next) {
                [$xs[$next], $ys[$next], $stops[$next]] = self::cut($way, $energy, ArrivalSteps::RUNG ** (-2 * $n));
                $runs[$next] = $run;
            }
            $k = $next;
        }
        for ($k = 0; $k < ArrivalSteps::SPEEDS; ++$k) {
            $this->x[] = $xs[$k];
            $this->y[] = $ys[$k];
            $this->run[] = $runs[$k];
            $this->stop[] = $stops[$k];
        }
    }

    /**
     * The cue ball's way after the contact in chords, and for every chord the squares of its speed at both ends, and
     * whether it rolls; −1 for those on which it still slides toward the first cushion or its first roll.
     *
     * @return array{non-empty-list<float>, list<array{float, float, bool}>}
     */
    private function way(BallStates $state): array
    {
        $way = $energy = [];
        $began = false;
        foreach ($state->paths[0] ?? [] as $piece) {
            $span = $piece->to - $piece->from;
            if ($span < 1e-9) {
                continue;
            }
            [$x, $y] = [$piece->start->x, $piece->start->y];
            [$vx, $vy, $ax, $ay] = [$piece->vx, $piece->vy, $piece->ax, $piece->ay];
            if ([] === $way) {
                $way = [$x, $y];
            }
            $rolls = $piece->rolling;
            $began = $began || $rolls;
            $parts = $rolls ? 1 : self::CHORDS;
            for ($i = 1; $i <= $parts; ++$i) {
                $t0 = $span * ($i - 1) / $parts;
                $t1 = $span * $i / $parts;
                $way[] = $x + ($vx + 0.5 * $ax * $t1) * $t1;
                $way[] = $y + ($vy + 0.5 * $ay * $t1) * $t1;
                $energy[] = $began
                    ? [($vx + $ax * $t0) ** 2 + ($vy + $ay * $t0) ** 2, ($vx + $ax * $t1) ** 2 + ($vy + $ay * $t1) ** 2, $rolls]
                    : [-1.0, -1.0, false];
            }
        }
        if ([] === $way) {
            $way = [$state->x[0], $state->y[0]];
        }

        return [$way, $energy];
    }

    /**
     * Where a slower ball stops on the same way.
     *
     * @param non-empty-list<float>     $way
     * @param list<array{float, float, bool}> $energy
     * @param float                     $share of the energy that it has
     *
     * @return array{float, float, float} x, y, chord and share
     */
    private static function cut(array $way, array $energy, float $share): array
    {
        $lacks = null;
        $was = 0.0;
        // While it slides everything is smaller by the share of the energy; what follows is moved along.
        $shiftX = $shiftY = 0.0;
        foreach ($energy as $k => [$begin, $end, $rolls]) {
            $x = $way[2 * $k + 2];
            $y = $way[2 * $k + 3];
            if ($begin < 0.0) {
                $shiftX = ($x - $way[0]) * ($share - 1);
                $shiftY = ($y - $way[1]) * ($share - 1);
                continue;
            }
            if (null === $lacks) {
                $lacks = $begin * (1 - $share);
            } elseif ($begin < $was) {
                $lacks *= $begin / $was;
            }
            $was = $end;
            if (!$rolls) {
                // Sliding, it loses a share of what it has; rolling, as much on every metre.
                $lacks *= $begin > 0.0 ? min(1.0, $end / $begin) : 1.0;
            } elseif ($end <= $lacks) {
                // Speed falls evenly with time, its square with the way.
                $part = $begin > $end ? max(0.0, min(1.0, ($begin - $lacks) / ($begin - $end))) : 0.0;

                return [
                    $way[2 * $k] + ($x - $way[2 * $k]) * $part + $shiftX,
                    $way[2 * $k + 1] + ($y - $way[2 * $k + 1]) * $part + $shiftY,
                    $k + $part,
                ];
            }
        }
        $last = \count($way) - 2;

        return [$way[$last] + $shiftX, $way[$last + 1] + $shiftY, (float) ($last >> 1)];
    }
}
