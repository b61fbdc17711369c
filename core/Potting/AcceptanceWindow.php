<?php

declare(strict_types=1);

namespace ZigLane\Core\Potting;

use ZigLane\Core\Aiming\Pot;
use ZigLane\Core\Geometry\Angle;
use ZigLane\Core\Geometry\Point;
use ZigLane\Core\Physics\BallStates;
use ZigLane\Core\Physics\Layout;
use ZigLane\Core\Physics\Motion;
use ZigLane\Core\Physics\Simulator;
use ZigLane\Core\Settings\Defaults;

/**
 * The directions in which one ball, sent off at some speed among the others, drops in one pocket: found by sending it in
 * steps across the mouth and beyond, every edge then bisected. Balls in the way, balls taken off the rail and balls thrown
 * out by the jaws all come out of the simulation. Worked out once for each speed on a ladder.
 *
 * The one class here that remembers: the answers, so that a map of places asks once.
 */
final class AcceptanceWindow
{
    /** Scanned to either side, in half mouths. */
    private const SPAN = 2.4;
    private const WIDEST = 1.2;

    /** Contacts with rubber until a try is given up. */
    private const MOST_RAILS = 4;

    /** Side spin is told apart in steps of this share of the ball's speed. */
    private const SIDE = 0.06;

    /** Ratio of neighbouring speeds on the ladder. */
    private const RUNG = 1.15;

    /** Parts of a rung in which it is looked for where an interval opens or closes. */
    private const PARTS = 4;

    /** Every so many rungs the whole mouth is scanned; those between start from the edges found there. */
    private const ANCHOR = 3;

    /** From the ball to the middle of the mouth, rad and m. */
    public readonly float $toward;
    public readonly float $distance;

    private readonly Point $from;
    private readonly int $index;

    /** Balls this near to the mouth (m) may meet one that comes off the jaws. */
    private const NEAR_MOUTH = 0.35;

    /** @var list<Point> balls that it could meet before it drops */
    private array $others = [];

    /** @var list<int> their numbers */
    private array $names = [];

    /** @var array<string, list<array{float, float}>> by rung and side */
    private array $known = [];

    /**
     * @param Layout $layout the balls; the cue ball does not count
     */
    public function __construct(
        private readonly Simulator $simulator,
        Layout $layout,
        Pot $pot,
        bool $alone = false,
    ) {
        $shape = $simulator->geometry->pocket($pot->pocket);
        $this->from = $layout->ball($pot->ball);
        $this->index = $pot->pocket->index();
        $entrance = $shape->entrance($this->from);
        $this->toward = $this->from->angleTo($entrance);
        $this->distance = max($this->from->distanceTo($entrance), 0.03);
        if (!$alone) {
            foreach ($layout->objectBalls() as $id) {
                if ($id !== $pot->ball && $this->matters($layout->ball($id))) {
                    $this->others[] = $layout->ball($id);
                    $this->names[] = $id;
                }
            }
        }
    }

    /** Whether a ball lies where this one may pass on its way or come off the jaws. */
    private function matters(Point $other): bool
    {
        $diameter = 2 * $this->simulator->ball->radius;
        if ($other->distanceTo($this->simulator->geometry->pockets[$this->index]->mouthMiddle()) < self::NEAR_MOUTH) {
            return true;
        }
        $far = $this->from->distanceTo($other);

        return $far < $this->distance + 2 * $diameter
            && abs(
                Angle::wrap($this->from->angleTo($other) - $this->toward),
            ) < $this->span() + asin(min(1.0, $diameter / max($far, $diameter))) + 0.02;
    }

    /** The same for two windows that are the same: where the ball and those that it could meet lie, and the pocket. */
    public function key(): string
    {
        $key = \sprintf('%d %.7F %.7F', $this->index, $this->from->x, $this->from->y);
        foreach ($this->others as $n => $other) {
            $key .= \sprintf(' %d %.7F %.7F', $this->names[$n], $other->x, $other->y);
        }

        return $key;
    }

    /** The first of the other balls that it meets, sent that way (rad relative to toward); null for none. */
    public function meets(float $way, float $speed): ?int
    {
        $hit = $this->sent($way, $speed, stopAtHit: true)->firstHit;

        return $hit > 0 ? $this->names[$hit - 1] : null;
    }

    /**
     * Intervals of directions, rad relative to toward, ascending; empty when the ball does not go.
     *
     * @param float $speed with which it leaves, sliding, m/s
     * @param float $side  surface speed of its side spin as a share of that
     *
     * @return list<array{float, float}>
     */
    public function at(float $speed, float $side = 0.0): array
    {
        $side = (int) round($side / self::SIDE);
        $place = self::PARTS * log(max($speed, 0.01)) / log(self::RUNG);
        $low = self::PARTS * (int) floor($place / self::PARTS);
        $high = $low + self::PARTS;
        [$below, $above] = [$this->rung($low, $side), $this->rung($high, $side)];
        // Where an interval opens or closes between two rungs, where it does so is looked for.
        while (\count($below) !== \count($above) && $high - $low > 1) {
            $middle = intdiv($low + $high, 2);
            if ($place < $middle) {
                [$high, $above] = [$middle, $this->rung($middle, $side)];
            } else {
                [$low, $below] = [$middle, $this->rung($middle, $side)];
            }
        }
        $share = ($place - $low) / ($high - $low);
        if (\count($below) !== \count($above)) {
            return $share < 0.5 ? $below : $above;
        }
        $between = [];
        foreach ($below as $n => [$from, $to]) {
            $between[] = [$from + $share * ($above[$n][0] - $from), $to + $share * ($above[$n][1] - $to)];
        }

        return $between;
    }

    /**
     * @param int $rung in parts of a rung
     *
     * @return list<array{float, float}>
     */
    private function rung(int $rung, int $side): array
    {
        if (isset($this->known["$rung $side"])) {
            return $this->known["$rung $side"];
        }
        $every = self::ANCHOR * self::PARTS;
        $anchor = $every * (int) round($rung / $every);
        $speed = self::RUNG ** ($rung / self::PARTS);

        return $this->known["$rung $side"] = match (true) {
            0 !== $side => $this->shifted($this->rung($rung, 0), $speed, $side * self::SIDE),
            $rung === $anchor => OpenDirections::scanned($this->dropping($speed, 0.0), $this->span()),
            // Too soft for the pocket there, a little harder it may get in.
            $rung > $anchor && [] === $this->rung($anchor, 0) => $this->shifted($this->rung($anchor + $every, 0), $speed, 0.0),
            default => $this->shifted($this->rung($anchor, 0), $speed, 0.0),
        };
    }

    /**
     * The intervals at another speed or with side spin, from known ones.
     *
     * @param list<array{float, float}> $known
     *
     * @return list<array{float, float}>
     */
    private function shifted(array $known, float $speed, float $side): array
    {
        return OpenDirections::near($this->dropping($speed, $side), $known, $this->span());
    }

    /**
     * @return \Closure(float): bool
     */
    private function dropping(float $speed, float $side): \Closure
    {
        return fn(float $way): bool => $this->drops($way, $speed, $side);
    }

    /**
     * The same at the nearest speed of the ladder: coarser, and half the work.
     *
     * @return list<array{float, float}>
     */
    public function near(float $speed): array
    {
        return $this->rung(self::PARTS * (int) round(log(max($speed, 0.01)) / log(self::RUNG)), 0);
    }

    /**
     * What has been worked out so far, in the order in which it was, for the same window elsewhere.
     *
     * @return array<string, list<array{float, float}>> by speed and spin
     */
    public function known(): array
    {
        return $this->known;
    }

    /**
     * Takes over what the same window elsewhere knows.
     *
     * @param array<string, list<array{float, float}>> $known
     */
    public function learn(array $known): void
    {
        $this->known += $known;
    }

    /** Speed, m/s, that brings the ball to the pocket at the reading pace. */
    public function readingSpeed(): float
    {
        // It leaves sliding and keeps 5/7 of its speed.
        return 1.4 * sqrt(Defaults::READING_PACE ** 2 + 2 * $this->simulator->table->cloth->roll * Defaults::GRAVITY * $this->distance);
    }

    /**
     * The lower or upper edge nearest to one of another speed, rad; when nothing drops there, the window closes on itself.
     *
     * @param int $which 0 for lower, 1 for upper
     */
    public function edgeNear(float $edge, int $which, float $speed, float $side): float
    {
        $near = null;
        foreach ($this->at($speed, $side) as $interval) {
            if (null === $near || abs($interval[$which] - $edge) < abs($near - $edge)) {
                $near = $interval[$which];
            }
        }

        return $near ?? $edge;
    }

    /**
     * A part of the widest interval, rad relative to toward.
     *
     * @param float $offset −1 … 1, 0 its middle
     */
    public function part(float $speed, float $offset = 0.0): ?float
    {
        $best = null;
        $widest = 0.0;
        foreach ($this->at($speed) as [$low, $high]) {
            if ($high - $low > $widest) {
                $widest = $high - $low;
                $best = ($low + $high) / 2 + $offset * $widest / 2;
            }
        }

        return $best;
    }

    /** Whether it drops when sent that way, rad relative to toward. */
    public function drops(float $way, float $speed, float $side = 0.0): bool
    {
        return $this->index === $this->sent($way, $speed, $side)->pocket[0];
    }

    /** What becomes of it, sent that way (rad relative to toward): slot 0 is the ball, the others follow as in the layout. */
    public function sent(float $way, float $speed, float $side = 0.0, bool $stopAtHit = false): BallStates
    {
        $state = new BallStates();
        $state->add($this->from->x, $this->from->y, new Motion(
            $speed * cos($this->toward + $way),
            $speed * sin($this->toward + $way),
            wz: $side * $speed / $this->simulator->ball->radius,
        ));
        foreach ($this->others as $place) {
            $state->add($place->x, $place->y);
        }
        $this->simulator->run($state, stopAtHit: $stopAtHit, mostRails: self::MOST_RAILS);

        return $state;
    }

    /** Half of what is scanned, rad. */
    public function span(): float
    {
        $shape = $this->simulator->geometry->pockets[$this->index];

        return min(self::WIDEST, self::SPAN * atan2($shape->tipA->distanceTo($shape->tipB) / 2, $this->distance));
    }
}
