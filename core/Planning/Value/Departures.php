<?php

declare(strict_types=1);

namespace ZigLane\Core\Planning\Value;

use ZigLane\Core\Geometry\Point;
use ZigLane\Core\Physics\BallStates;
use ZigLane\Core\Physics\Motion;
use ZigLane\Core\Physics\Simulator;

/**
 * How the cue ball leaves the contact with the object ball, for every arrival of ArrivalGrid: worked out once, since it is the same
 * wherever on the table it happens and whichever way the ball is sent; only turned.
 *
 * @internal
 */
final class Departures
{
    /** Room between the balls just before they touch, m. */
    private const APART = 1e-7;

    /** @var array<int, array{float, float, float, float, float, float, float}> by entry, with the ball sent along +x from (0, 0) */
    private array $known = [];

    public function __construct(private readonly Simulator $simulator) {}

    /**
     * The cue ball as it leaves the contact, alone on the table.
     *
     * @param int   $entry  place of the arrival: see ArrivalIndex::entry()
     * @param float $cut    rad, signed as in PotReading
     * @param Point $at     of the object ball, m
     * @param float $toward direction in which the object ball is sent, rad
     */
    public function cueBall(int $entry, float $cut, CueBallArrival $arrival, Point $at, float $toward): BallStates
    {
        [$dx, $dy, $vx, $vy, $wx, $wy, $wz] = $this->known[$entry] ??= $this->workedOut($cut, $arrival);
        $c = cos($toward);
        $s = sin($toward);
        $place = new Point($at->x + $dx * $c - $dy * $s, $at->y + $dx * $s + $dy * $c);
        $g = $this->simulator->geometry;
        if (!$g->canRest($place)) {
            // Turned for the throw, a contact beside a rail may come to lie a hair inside it: a ball played from there would never stop.
            $place = $g->onBed($place);
        }
        $state = new BallStates();
        $state->add(
            $place->x,
            $place->y,
            new Motion($vx * $c - $vy * $s, $vx * $s + $vy * $c, $wx * $c - $wy * $s, $wx * $s + $wy * $c, $wz),
        );

        return $state;
    }

    /**
     * The contact is turned so that throw is made good.
     *
     * @return array{float, float, float, float, float, float, float}
     */
    private function workedOut(float $cut, CueBallArrival $arrival): array
    {
        $vx = $arrival->speed * cos(-$cut);
        $vy = $arrival->speed * sin(-$cut);
        $r = $this->simulator->ball->radius;
        $motion = new Motion($vx, $vy, -$arrival->roll * $vy / $r, $arrival->roll * $vx / $r, -$arrival->side * $arrival->speed / $r);
        $hit = $this->met(0.0, $motion);
        if (hypot($hit->vx[1], $hit->vy[1]) > 1e-6) {
            $hit = $this->met(-atan2($hit->vy[1], $hit->vx[1]), $motion);
        }
        $g = $this->simulator->geometry;

        return [
            $hit->x[0] - $g->length / 2,
            $hit->y[0] - $g->width / 2,
            $hit->vx[0],
            $hit->vy[0],
            $hit->wx[0],
            $hit->wy[0],
            $hit->wz[0],
        ];
    }

    /** The balls after the contact, in the middle of the table, with the line of centres turned so (rad). */
    private function met(float $line, Motion $motion): BallStates
    {
        $g = $this->simulator->geometry;
        $apart = 2 * $this->simulator->ball->radius + self::APART;
        $state = new BallStates();
        $state->add($g->length / 2 - $apart * cos($line), $g->width / 2 - $apart * sin($line), $motion);
        $state->add($g->length / 2, $g->width / 2);
        $this->simulator->run($state, stopAtHit: true);

        return $state;
    }
}
