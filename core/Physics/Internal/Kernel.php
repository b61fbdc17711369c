<?php

declare(strict_types=1);

namespace ZigLane\Core\Physics\Internal;

use ZigLane\Core\Equipment\BallSpec;
use ZigLane\Core\Equipment\TableGeometry;
use ZigLane\Core\Geometry\Point;
use ZigLane\Core\Physics\BallStates;
use ZigLane\Core\Physics\EventType;
use ZigLane\Core\Physics\PathPiece;
use ZigLane\Core\Physics\SlotEvent;
use ZigLane\Core\Settings\Defaults;

/**
 * The event loop: between events every ball lies still or moves on a known parabola, so the kernel asks when the next
 * event is, goes there, resolves it, and asks again. After W. Leckie and M. Greenspan, "An event-based pool physics
 * simulator", 2006.
 *
 * Bookkeeping. Each ball has its state at its own time t0, the time and kind of its next event that concerns it alone
 * (end of sliding or rolling, rail, jaw, drop), and the time and partner of its next meeting with another ball. After
 * an event only the balls it changed are asked again, and those whose awaited partner changed. A pair is looked at no
 * further than the earlier of its two balls' own events, since then it is looked at again anyway.
 *
 * The frame. x runs from head to foot and y from the left rail to the right, so with z up this frame is the mirror
 * image of a right-handed one. Mechanics does not mind: the usual right-handed formulas are used throughout and
 * describe the mirrored table. Only "right" must be said with care: the player's right of a direction is that
 * direction turned by +90° (see CueStrike).
 *
 * A ball in the air falls freely; while there is one, meetings are looked for in three dimensions and all anew (see Flight). A ball that
 * the cue strikes down begins in the air at no height, and lands at once.
 *
 * Rails are asked about only once the centre leaves the inner rectangle that the noses allow; jaws only when it does
 * so inside a pocket's mouth.
 *
 * @internal
 *
 * Motions, by slot: mode, x, y, z, vx, vy, vz, ax, ay, the time of these, and that of the own next event.
 *
 * @phpstan-type Floats array<int, float>
 * @phpstan-type Motions array{array<int, int>, Floats, Floats, Floats, Floats, Floats, Floats, Floats, Floats, Floats, Floats}
 * @phpstan-type Watch \Closure(float, Floats, Floats, Floats, Floats, Floats, Floats, Floats): void
 */
final class Kernel
{
    private const REST = 0;
    private const ROLL = 1;
    private const SLIDE = 2;
    private const DOWN = 3;
    private const AIR = 4;

    private const EV_MOTION = 1;
    private const EV_CUSHION = 2;
    private const EV_FACING = 3;
    private const EV_TIP = 4;
    private const EV_DROP = 5;
    private const EV_LOOK = 6;
    private const EV_LAND = 7;
    private const EV_NOSE = 8;
    private const EV_LEAVE = 9;

    /** More events than any shot has: a guard against an endless loop, not part of the model. */
    public const MAX_EVENTS = 50000;

    /** Below these a ball lies still, or rolls without slipping, m/s. */
    private const STILL = 1e-7;
    private const NO_SLIP = 1e-9;

    private const OUTSIDE = -1e-7;

    /** Room beyond all rounding, m. */
    private const CLEAR = 1e-6;

    private float $radius;
    private float $reach;
    private float $length;
    private float $width;

    /** @var array<int, array<int, float>> per pocket: see flatten() */
    private array $jaws = [];

    /** @var array{float, float, float, float, float} the last five parameters of CushionImpact::rebound before its steps */
    private array $cushionLaw;

    /** @var array{float, float, float, float, float} */
    private array $facingLaw;

    private RollingRebound $cushions;
    private RollingRebound $facings;
    private float $slideAcc;
    private float $rollAcc;
    private float $spinDecay;
    private Flight $flight;

    public function __construct(private readonly TableGeometry $geometry, private readonly BallSpec $ball)
    {
        $cloth = $geometry->table->cloth;
        $this->radius = $ball->radius;
        $this->reach = $geometry->reach;
        $this->length = $geometry->length;
        $this->width = $geometry->width;
        $this->slideAcc = $cloth->slide * Defaults::GRAVITY;
        $this->rollAcc = $cloth->roll * Defaults::GRAVITY;
        $this->spinDecay = $cloth->spinDecay;
        $this->flight = new Flight($geometry, $ball);
        $cushion = $geometry->table->cushion;
        $contact = [$cushion->clothFriction, $cushion->contactSine(), $cushion->contactCosine()];
        $this->cushionLaw = [$cushion->restitution, $cushion->friction, ...$contact];
        $this->facingLaw = [$cushion->facingRestitution, $cushion->facingFriction, ...$contact];
        $this->cushions = RollingRebound::of(...$this->cushionLaw);
        $this->facings = RollingRebound::of(...$this->facingLaw);
        foreach ($geometry->pockets as $index => $shape) {
            $row = [];
            foreach ([[$shape->tipA, $shape->facingA], [$shape->tipB, $shape->facingB]] as [$tip, $facing]) {
                // Normal of the facing toward the pocket's middle.
                $nx = $facing[1];
                $ny = -$facing[0];
                $mid = $shape->mouthMiddle();
                if (($mid->x - $tip->x) * $nx + ($mid->y - $tip->y) * $ny < 0) {
                    $nx = -$nx;
                    $ny = -$ny;
                }
                array_push($row, $tip->x, $tip->y, $facing[0], $facing[1], $nx, $ny);
            }
            array_push($row, $shape->dropCentre->x, $shape->dropCentre->y, $shape->dropRadius, $shape->facingLength);
            $this->jaws[$index] = $row;
        }
    }

    /**
     * Runs until every ball lies still.
     *
     * @param bool $record      keep the events and the paths
     * @param bool $stopAtHit   stop right after the cue ball's first contact with a ball has been resolved
     * @param int  $mostRails   give up after so many contacts with rails and jaws
     * @param Watch|null $watch
     *                          called after every event with the time and, by slot, vx, vy, ωx, ωy, ωz, z, vz as of each
     *                          ball's own latest event: how the tests watch energy
     */
    public function run(
        BallStates $s,
        bool $record = false,
        bool $stopAtHit = false,
        int $mostRails = PHP_INT_MAX,
        ?\Closure $watch = null,
    ): void {
        $x = $s->x;
        $y = $s->y;
        $vx = $s->vx;
        $vy = $s->vy;
        $wx = $s->wx;
        $wy = $s->wy;
        $wz = $s->wz;
        $z = $s->z;
        $vz = $s->vz;
        $pocket = $s->pocket;
        $n = \count($x);
        $radius = $this->radius;
        $diameter = 2.0 * $radius;
        $diameter2 = $diameter * $diameter;
        $spinK = 2.5 / $radius;
        $slideAcc = $this->slideAcc;
        $rollAcc = $this->rollAcc;

        $ax = $ay = $t0 = array_fill(0, $n, 0.0);
        $mode = array_fill(0, $n, self::REST);
        $tOwn = $tPair = array_fill(0, $n, INF);
        $kind = $what = array_fill(0, $n, 0);
        $mate = array_fill(0, $n, -1);
        $fresh = array_fill(0, $n, false);
        $dirty = [];
        $aloft = 0; // balls in the air
        for ($i = 0; $i < $n; ++$i) {
            if (BallStates::ON_TABLE !== $pocket[$i]) {
                $mode[$i] = self::DOWN;
            } else {
                $dirty[] = $i;
                if (0.0 !== $vz[$i] || $z[$i] > 0.0) {
                    $mode[$i] = self::AIR;
                    ++$aloft;
                }
            }
        }
        $now = 0.0;
        $events = 0;
        $rails = 0;

        while (true) {
            if (null !== $watch) {
                $watch($now, $vx, $vy, $wx, $wy, $wz, $z, $vz);
            }
            // 1. How do the changed balls move now, and what do they meet on their own?
            $settled = false;
            foreach ($dirty as $i) {
                $tOwn[$i] = INF;
                $tPair[$i] = INF;
                $mate[$i] = -1;
                if (self::DOWN === $mode[$i]) {
                    continue;
                }
                if ($aloft > 0 && self::AIR === $mode[$i]) {
                    $ax[$i] = $ay[$i] = 0.0;
                    [$when, $kind[$i], $what[$i]] = $this->flightEvent($x[$i], $y[$i], $z[$i], $vx[$i], $vy[$i], $vz[$i]);
                    $tOwn[$i] = $now + $when;
                    continue;
                }
                $ux = $vx[$i] - $radius * $wy[$i];
                $uy = $vy[$i] + $radius * $wx[$i];
                $slip = sqrt($ux * $ux + $uy * $uy);
                if ($slip > self::NO_SLIP) {
                    $mode[$i] = self::SLIDE;
                    $ax[$i] = -$slideAcc * $ux / $slip;
                    $ay[$i] = -$slideAcc * $uy / $slip;
                    $span = $slip / (3.5 * $slideAcc);
                } else {
                    $speed = sqrt($vx[$i] * $vx[$i] + $vy[$i] * $vy[$i]);
                    if ($speed <= self::STILL) {
                        $mode[$i] = self::REST;
                        $vx[$i] = $vy[$i] = $wx[$i] = $wy[$i] = $ax[$i] = $ay[$i] = 0.0;
                        $settled = true;
                        continue;
                    }
                    $mode[$i] = self::ROLL;
                    $ax[$i] = -$rollAcc * $vx[$i] / $speed;
                    $ay[$i] = -$rollAcc * $vy[$i] / $speed;
                    $span = $speed / $rollAcc;
                }
                [$when, $kind[$i], $what[$i]] = $this->ownEvent($x[$i], $y[$i], $vx[$i], $vy[$i], $ax[$i], $ay[$i], $span);
                $tOwn[$i] = $now + $when;
            }

            // 2. Whom do they meet? A ball that changed, or whose awaited partner did, looks at all others; any other
            // moving ball looks only at those that have just come to lie still, since a moving changed ball has
            // already looked at it.
            foreach ($dirty as $i) {
                $fresh[$i] = true;
            }
            for ($i = 0; $i < $n; ++$i) {
                $m = $mode[$i];
                if (self::REST === $m || self::DOWN === $m) {
                    continue;
                }
                if ($aloft > 0) {
                    $motions = [$mode, $x, $y, $z, $vx, $vy, $vz, $ax, $ay, $t0, $tOwn];
                    [$tPair[$i], $mate[$i]] = $this->meeting($i, $now, $motions);
                    continue;
                }
                if ($fresh[$i] || ($mate[$i] >= 0 && $fresh[$mate[$i]])) {
                    $all = true;
                    $best = INF;
                    $with = -1;
                } elseif ($settled) {
                    $all = false;
                    $best = $tPair[$i];
                    $with = $mate[$i];
                } else {
                    continue;
                }
                $dt = $now - $t0[$i];
                $vxi = $vx[$i];
                $vyi = $vy[$i];
                $axi = $ax[$i];
                $ayi = $ay[$i];
                $xi = $x[$i] + ($vxi + 0.5 * $axi * $dt) * $dt;
                $yi = $y[$i] + ($vyi + 0.5 * $ayi * $dt) * $dt;
                $vxi += $axi * $dt;
                $vyi += $ayi * $dt;
                $straight = self::ROLL === $m;
                $speed2 = $vxi * $vxi + $vyi * $vyi;
                $limit = $tOwn[$i] - $now;
                if ($best - $now < $limit) {
                    $limit = $best - $now;
                }
                // A resting ball further off than it can come in that time is not met.
                $speed = sqrt($speed2);
                $half = 0.5 * sqrt($axi * $axi + $ayi * $ayi);
                $far = $diameter + ($speed + $half * $limit) * $limit + self::CLEAR;
                $far *= $far;
                for ($j = 0; $j < $n; ++$j) {
                    $m = $mode[$j];
                    if (self::REST === $m) {
                        if (!$all && !$fresh[$j]) {
                            continue;
                        }
                        $px = $xi - $x[$j];
                        $py = $yi - $y[$j];
                        if ($px * $px + $py * $py > $far) {
                            continue;
                        }
                        $cross = $px * $vyi - $py * $vxi;
                        if ($straight && $cross * $cross > $diameter2 * $speed2) {
                            continue; // its line passes by
                        }
                        $qx = $vxi;
                        $qy = $vyi;
                        $bx = $axi;
                        $by = $ayi;
                        $until = $limit;
                    } elseif (!$all || self::DOWN === $m || $j === $i) {
                        continue;
                    } else {
                        $dt = $now - $t0[$j];
                        $px = $xi - $x[$j] - ($vx[$j] + 0.5 * $ax[$j] * $dt) * $dt;
                        $py = $yi - $y[$j] - ($vy[$j] + 0.5 * $ay[$j] * $dt) * $dt;
                        $qx = $vxi - $vx[$j] - $ax[$j] * $dt;
                        $qy = $vyi - $vy[$j] - $ay[$j] * $dt;
                        $bx = $axi - $ax[$j];
                        $by = $ayi - $ay[$j];
                        $until = $tOwn[$j] - $now;
                        if ($until > $limit) {
                            $until = $limit;
                        }
                    }
                    // Neither velocity nor acceleration brings them nearer.
                    if ($px * $qx + $py * $qy >= 0.0 && $px * $bx + $py * $by >= 0.0) {
                        continue;
                    }
                    $t = Contact::ofDiscs($px, $py, $qx, $qy, $bx, $by, $diameter, $until);
                    if ($t <= $until) {
                        $limit = $t;
                        $far = $diameter + ($speed + $half * $limit) * $limit + self::CLEAR;
                        $far *= $far;
                        $best = $now + $t;
                        $with = $j;
                    }
                }
                $tPair[$i] = $best;
                $mate[$i] = $with;
            }
            foreach ($dirty as $i) {
                $fresh[$i] = false;
            }

            // 3. The earliest event.
            $next = INF;
            $first = -1;
            $pair = false;
            for ($i = 0; $i < $n; ++$i) {
                if ($tOwn[$i] < $next) {
                    $next = $tOwn[$i];
                    $first = $i;
                    $pair = false;
                }
                if ($tPair[$i] < $next) {
                    $next = $tPair[$i];
                    $first = $i;
                    $pair = true;
                }
            }
            if ($first < 0) {
                break;
            }
            if (++$events > self::MAX_EVENTS) {
                throw new \LogicException('A shot did not come to an end.');
            }
            $now = $next;
            $dirty = $pair ? [$first, $mate[$first]] : [$first];

            // 4. Bring the balls concerned to that time.
            foreach ($dirty as $i) {
                $dt = $now - $t0[$i];
                if ($dt > 0.0 && (self::ROLL === $mode[$i] || self::SLIDE === $mode[$i])) {
                    if ($record) {
                        $s->paths[$i][] = new PathPiece(
                            $t0[$i],
                            $now,
                            new Point($x[$i], $y[$i]),
                            $vx[$i],
                            $vy[$i],
                            $ax[$i],
                            $ay[$i],
                            self::ROLL === $mode[$i],
                        );
                    }
                    $x[$i] += ($vx[$i] + 0.5 * $ax[$i] * $dt) * $dt;
                    $y[$i] += ($vy[$i] + 0.5 * $ay[$i] * $dt) * $dt;
                    $vx[$i] += $ax[$i] * $dt;
                    $vy[$i] += $ay[$i] * $dt;
                    if (self::SLIDE === $mode[$i]) {
                        $wx[$i] += $spinK * $ay[$i] * $dt;
                        $wy[$i] -= $spinK * $ax[$i] * $dt;
                    } else {
                        $wx[$i] = -$vy[$i] / $radius;
                        $wy[$i] = $vx[$i] / $radius;
                    }
                }
                if ($aloft > 0 && self::AIR === $mode[$i]) {
                    if ($dt > 0.0) {
                        if ($record) {
                            $start = new Point($x[$i], $y[$i]);
                            $s->paths[$i][] = new PathPiece($t0[$i], $now, $start, $vx[$i], $vy[$i], 0.0, 0.0, false, $z[$i], $vz[$i]);
                        }
                        $x[$i] += $vx[$i] * $dt;
                        $y[$i] += $vy[$i] * $dt;
                        $z[$i] = max(0.0, $z[$i] + ($vz[$i] - 0.5 * Defaults::GRAVITY * $dt) * $dt);
                        $vz[$i] -= Defaults::GRAVITY * $dt;
                    }
                    $t0[$i] = $now;
                    continue;
                }
                if ($dt > 0.0 && 0.0 !== $wz[$i]) {
                    $decay = $this->spinDecay * $dt;
                    $wz[$i] = $wz[$i] > $decay ? $wz[$i] - $decay : ($wz[$i] < -$decay ? $wz[$i] + $decay : 0.0);
                }
                $t0[$i] = $now;
            }

            // 5. What happens there?
            $i = $first;
            if ($pair) {
                $j = $mate[$i];
                if ($aloft > 0 && (self::AIR === $mode[$i] || self::AIR === $mode[$j])) {
                    [$push, $turn] = $this->flight->collision(
                        [$x[$j] - $x[$i], $y[$j] - $y[$i], $z[$j] - $z[$i]],
                        [$vx[$i] - $vx[$j], $vy[$i] - $vy[$j], $vz[$i] - $vz[$j]],
                        [$wx[$i] + $wx[$j], $wy[$i] + $wy[$j], $wz[$i] + $wz[$j]],
                    );
                    foreach ([[$i, 1.0], [$j, -1.0]] as [$k, $sign]) {
                        $vx[$k] += $sign * $push[0];
                        $vy[$k] += $sign * $push[1];
                        $vz[$k] = Flight::rising($z[$k], $vz[$k] + $sign * $push[2]);
                        $wx[$k] += $turn[0];
                        $wy[$k] += $turn[1];
                        $wz[$k] += $turn[2];
                        $mode[$k] = 0.0 !== $vz[$k] || $z[$k] > 0.0 ? self::AIR : self::SLIDE;
                    }
                    $aloft = \count(array_keys($mode, self::AIR, true));
                } else {
                    $nx = $x[$j] - $x[$i];
                    $ny = $y[$j] - $y[$i];
                    $d = sqrt($nx * $nx + $ny * $ny);
                    $nx /= $d;
                    $ny /= $d;
                    $dvx = $vx[$i] - $vx[$j];
                    $dvy = $vy[$i] - $vy[$j];
                    $vn = $dvx * $nx + $dvy * $ny;
                    [$jn, $jt, $jz] = BallCollision::impulses(
                        $this->ball,
                        $vn > 0.0 ? $vn : 0.0,
                        $dvy * $nx - $dvx * $ny + $radius * ($wz[$i] + $wz[$j]),
                        $radius * (($wx[$i] + $wx[$j]) * $ny - ($wy[$i] + $wy[$j]) * $nx),
                    );
                    $px = -$jn * $nx - $jt * $ny;
                    $py = -$jn * $ny + $jt * $nx;
                    $vx[$i] += $px;
                    $vy[$i] += $py;
                    $vx[$j] -= $px;
                    $vy[$j] -= $py;
                    // The same turn for both: the arm and the impulse both change sign.
                    $px = $spinK * $jz * $ny;
                    $py = -$spinK * $jz * $nx;
                    $jt *= $spinK;
                    $wx[$i] += $px;
                    $wy[$i] += $py;
                    $wz[$i] += $jt;
                    $wx[$j] += $px;
                    $wy[$j] += $py;
                    $wz[$j] += $jt;
                }
                if ($record) {
                    $s->events[] = new SlotEvent($now, EventType::BallBall, $i, $j, $x[$i], $y[$i]);
                }
                if ($s->firstHit < 0 && (0 === $i || 0 === $j)) {
                    $s->firstHit = 0 === $i ? $j : $i;
                    if ($stopAtHit) {
                        break;
                    }
                }
                continue;
            }
            if ($aloft > 0 && self::AIR === $mode[$i] && $this->flight->isOver($z[$i])
                && self::EV_LAND !== $kind[$i] && self::EV_LOOK !== $kind[$i]) {
                $kind[$i] = self::EV_LEAVE; // over the nose, a jaw or the pocket
            }
            switch ($kind[$i]) {
                case self::EV_LAND:
                    if ($record && $now > 0.0) {
                        $s->events[] = new SlotEvent($now, EventType::Landing, $i, 0, $x[$i], $y[$i]);
                    }
                    $z[$i] = 0.0;
                    [$vx[$i], $vy[$i], $vz[$i], $wx[$i], $wy[$i]] = $this->flight->bounce($vx[$i], $vy[$i], $vz[$i], $wx[$i], $wy[$i]);
                    if (0.0 === $vz[$i]) {
                        $mode[$i] = self::SLIDE;
                        --$aloft;
                    }
                    break;
                case self::EV_LEAVE:
                    $mode[$i] = self::DOWN;
                    --$aloft;
                    $pocket[$i] = BallStates::OFF_TABLE;
                    $vx[$i] = $vy[$i] = $vz[$i] = $wx[$i] = $wy[$i] = $wz[$i] = $z[$i] = 0.0;
                    if ($record) {
                        $s->events[] = new SlotEvent($now, EventType::LeftTable, $i, 0, $x[$i], $y[$i]);
                    }
                    break;
                case self::EV_LOOK:
                    break;
                case self::EV_MOTION:
                    if (self::SLIDE === $mode[$i] && $vx[$i] * $vx[$i] + $vy[$i] * $vy[$i] > self::STILL * self::STILL) {
                        $wx[$i] = -$vy[$i] / $radius;
                        $wy[$i] = $vx[$i] / $radius;
                    } else {
                        $mode[$i] = self::REST;
                        $vx[$i] = $vy[$i] = $wx[$i] = $wy[$i] = 0.0;
                    }
                    if ($record) {
                        $type = self::REST === $mode[$i] ? EventType::Stop : EventType::SlideToRoll;
                        $s->events[] = new SlotEvent($now, $type, $i, 0, $x[$i], $y[$i]);
                    }
                    break;
                case self::EV_DROP:
                    if (self::AIR === $mode[$i]) {
                        --$aloft;
                        $z[$i] = $vz[$i] = 0.0;
                    }
                    $mode[$i] = self::DOWN;
                    $pocket[$i] = $what[$i];
                    $vx[$i] = $vy[$i] = $wx[$i] = $wy[$i] = $wz[$i] = 0.0;
                    if ($s->firstHit >= 0) {
                        $s->railAfterHit = true;
                    }
                    if ($record) {
                        $s->events[] = new SlotEvent($now, EventType::Pocketed, $i, $what[$i], $x[$i], $y[$i]);
                    }
                    break;
                default:
                    if (++$rails > $mostRails) {
                        break 2;
                    }
                    [$nx, $ny] = $this->normal($kind[$i], $what[$i], $x[$i], $y[$i]);
                    $soft = self::EV_CUSHION !== $kind[$i] && self::EV_NOSE !== $kind[$i];
                    if ($aloft > 0 && self::AIR === $mode[$i]) {
                        $gap = match (true) {
                            $soft => $radius,
                            0.0 !== $nx => $nx > 0.0 ? $this->length - $x[$i] : $x[$i],
                            default => $ny > 0.0 ? $this->width - $y[$i] : $y[$i],
                        };
                        [[$vx[$i], $vy[$i], $vz[$i]], [$wx[$i], $wy[$i], $wz[$i]]] = $this->flight->rebound(
                            [$vx[$i], $vy[$i], $vz[$i]],
                            [$wx[$i], $wy[$i], $wz[$i]],
                            $nx,
                            $ny,
                            $z[$i],
                            $gap,
                            $soft,
                        );
                    } else {
                        // x' along the cushion and y' into it, (x', y', z) turned from (x, y, z).
                        $vt = $vx[$i] * $ny - $vy[$i] * $nx;
                        $vn = $vx[$i] * $nx + $vy[$i] * $ny;
                        [$vt, $vn, $wt, $wn, $wv] = self::ROLL === $mode[$i] ? ($soft ? $this->facings : $this->cushions)->rebound(
                            $vt,
                            $vn,
                            $radius * $wz[$i],
                        ) : CushionImpact::rebound(
                            $vt,
                            $vn,
                            $radius * ($wx[$i] * $ny - $wy[$i] * $nx),
                            $radius * ($wx[$i] * $nx + $wy[$i] * $ny),
                            $radius * $wz[$i],
                            ...($soft ? $this->facingLaw : $this->cushionLaw),
                        );
                        $vx[$i] = $vt * $ny + $vn * $nx;
                        $vy[$i] = $vn * $ny - $vt * $nx;
                        $wx[$i] = ($wt * $ny + $wn * $nx) / $radius;
                        $wy[$i] = ($wn * $ny - $wt * $nx) / $radius;
                        $wz[$i] = $wv / $radius;
                    }
                    if ($s->firstHit >= 0) {
                        $s->railAfterHit = true;
                    }
                    if ($record) {
                        $type = $soft ? EventType::BallFacing : EventType::BallCushion;
                        $s->events[] = new SlotEvent($now, $type, $i, $what[$i], $x[$i], $y[$i]);
                    }
            }
        }

        $s->x = $x;
        $s->y = $y;
        $s->vx = $vx;
        $s->vy = $vy;
        $s->wx = $wx;
        $s->wy = $wy;
        $s->wz = $wz;
        $s->z = $z;
        $s->vz = $vz;
        $s->pocket = $pocket;
        $s->time = $now;
        $s->eventCount = $events;
    }

    /**
     * The next event that concerns one moving ball alone.
     *
     * @param float $span s until its present motion ends
     *
     * @return array{float, int, int} [s from now, kind, wall or pocket-and-side number]
     */
    private function ownEvent(float $x, float $y, float $vx, float $vy, float $ax, float $ay, float $span): array
    {
        $reach = $this->reach;
        $g0 = $x - $reach;
        $g1 = $this->length - $reach - $x;
        $g2 = $y - $reach;
        $g3 = $this->width - $reach - $y;
        if ($g0 < self::OUTSIDE || $g1 < self::OUTSIDE || $g2 < self::OUTSIDE || $g3 < self::OUTSIDE) {
            return $this->mouthEvent($this->pocketNear($x, $y), 0.0, $x, $y, $vx, $vy, $ax, $ay, $span);
        }
        // A rail is asked about only if velocity or acceleration leads toward it.
        $when = INF;
        $wall = 0;
        if ($vx < 0.0 || $ax < 0.0) {
            $when = Contact::ofGap($g0, $vx, $ax);
        }
        if ($vx > 0.0 || $ax > 0.0) {
            $t = Contact::ofGap($g1, -$vx, -$ax);
            if ($t < $when) {
                $when = $t;
                $wall = 1;
            }
        }
        if ($vy < 0.0 || $ay < 0.0) {
            $t = Contact::ofGap($g2, $vy, $ay);
            if ($t < $when) {
                $when = $t;
                $wall = 2;
            }
        }
        if ($vy > 0.0 || $ay > 0.0) {
            $t = Contact::ofGap($g3, -$vy, -$ay);
            if ($t < $when) {
                $when = $t;
                $wall = 3;
            }
        }
        if ($when > $span) {
            return [$span, self::EV_MOTION, 0];
        }
        $cut = $this->geometry->cornerCut;
        $px = $x + ($vx + 0.5 * $ax * $when) * $when;
        $py = $y + ($vy + 0.5 * $ay * $when) * $when;
        if ($wall < 2) {
            $onRail = $py >= $cut && $py <= $this->width - $cut;
        } else {
            $onRail = $px >= $cut && $px <= $this->length - $cut
                && abs($px - 0.5 * $this->length) >= $this->geometry->sideHalf;
        }
        if ($onRail) {
            return [$when, self::EV_CUSHION, $wall];
        }

        return $this->mouthEvent($this->pocketNear($px, $py), $when, $x, $y, $vx, $vy, $ax, $ay, $span);
    }

    /**
     * The next event of a ball in a pocket's mouth: tips, facings, the drop, or leaving the mouth again.
     *
     * @param float $from s from now at which it is in the mouth
     *
     * @return array{float, int, int}
     */
    private function mouthEvent(
        int $pocket,
        float $from,
        float $x,
        float $y,
        float $vx,
        float $vy,
        float $ax,
        float $ay,
        float $span,
    ): array {
        $px = $x + ($vx + 0.5 * $ax * $from) * $from;
        $py = $y + ($vy + 0.5 * $ay * $from) * $from;
        $qx = $vx + $ax * $from;
        $qy = $vy + $ay * $from;
        $reach = $this->reach;
        $best = $span - $from;
        $kind = self::EV_MOTION;
        $what = 0;
        $jaw = $this->jaws[$pocket];
        for ($side = 0; $side < 2; ++$side) {
            $o = 6 * $side;
            $rx = $px - $jaw[$o];
            $ry = $py - $jaw[$o + 1];
            $t = Contact::ofDiscs($rx, $ry, $qx, $qy, $ax, $ay, $reach, $best);
            if ($t < $best) {
                $best = $t;
                $kind = self::EV_TIP;
                $what = 2 * $pocket + $side;
            }
            $nx = $jaw[$o + 4];
            $ny = $jaw[$o + 5];
            $t = Contact::ofGap($rx * $nx + $ry * $ny - $reach, $qx * $nx + $qy * $ny, $ax * $nx + $ay * $ny);
            if ($t < $best) {
                // Only where the rubber is: from the tip inward.
                $along = ($rx + ($qx + 0.5 * $ax * $t) * $t) * $jaw[$o + 2] + ($ry + ($qy + 0.5 * $ay * $t) * $t) * $jaw[$o + 3];
                if ($along >= 0.0 && $along <= $jaw[15]) {
                    $best = $t;
                    $kind = self::EV_FACING;
                    $what = 2 * $pocket + $side;
                }
            }
        }
        $t = Contact::ofDiscs($px - $jaw[12], $py - $jaw[13], $qx, $qy, $ax, $ay, $jaw[14], $best);
        if ($t < $best) {
            return [$from + $t, self::EV_DROP, $pocket];
        }
        // Once it is back on the bed its rails must be asked about again, before any jaw that lies further on.
        $back = $this->backOnBed($px, $py, $qx, $qy, $ax, $ay);
        if ($back < $best) {
            return [$from + $back, self::EV_LOOK, 0];
        }

        return [$from + $best, $kind, $what];
    }

    /**
     * The next event of a ball in the air that concerns it alone.
     *
     * @return array{float, int, int}
     */
    private function flightEvent(float $x, float $y, float $z, float $vx, float $vy, float $vz): array
    {
        $span = Flight::landing($z, $vz);
        $reach = $this->reach;
        $inside = min($x, $this->length - $x, $y, $this->width - $y) >= $reach + self::OUTSIDE;
        if (!$inside && !$this->isAlongRail($x < $reach || $x > $this->length - $reach, $x, $y)) {
            return $this->flightInMouth($this->pocketNear($x, $y), 0.0, $x, $y, $vx, $vy, $span);
        }
        $when = INF;
        $wall = 0;
        $over = false;
        foreach ([[$x, -$vx], [$this->length - $x, $vx], [$y, -$vy], [$this->width - $y, $vy]] as $n => [$gap, $speed]) {
            [$t, $passes] = $this->flight->toNose($gap, $speed, $z, $vz, min($when, $span));
            if ($t < $when) {
                $when = $t;
                $wall = $n;
                $over = $passes;
            }
        }
        if ($when > $span) {
            return [$span, self::EV_LAND, 0];
        }
        if ($this->isAlongRail($wall < 2, $x + $vx * $when, $y + $vy * $when)) {
            return [$when, $over ? self::EV_LEAVE : self::EV_NOSE, $wall];
        }
        $gap = [$x, $this->length - $x, $y, $this->width - $y][$wall] - $reach;
        $from = max(0.0, $gap / abs($wall < 2 ? $vx : $vy));

        return $from >= $span
            ? [$span, self::EV_LAND, 0]
            : $this->flightInMouth($this->pocketNear($x + $vx * $from, $y + $vy * $from), $from, $x, $y, $vx, $vy, $span);
    }

    /**
     * The same in a pocket's mouth, where jaws are upright walls.
     *
     * @return array{float, int, int}
     */
    private function flightInMouth(int $pocket, float $from, float $x, float $y, float $vx, float $vy, float $span): array
    {
        $next = $this->mouthEvent($pocket, $from, $x, $y, $vx, $vy, 0.0, 0.0, $span);

        return self::EV_MOTION === $next[1] ? [$span, self::EV_LAND, 0] : $next;
    }

    /** Whether a place beside a short (across) or a long rail is beside its nose and not in a pocket's mouth. */
    private function isAlongRail(bool $short, float $x, float $y): bool
    {
        $cut = $this->geometry->cornerCut;

        return $short
            ? $y >= $cut && $y <= $this->width - $cut
            : $x >= $cut && $x <= $this->length - $cut && abs($x - 0.5 * $this->length) >= $this->geometry->sideHalf;
    }

    /**
     * Whom a moving ball meets next while some ball is in the air.
     *
     * @param Motions $motions
     *
     * @return array{float, int} s after the stroke, and the other's slot; INF and −1 for nobody
     */
    private function meeting(int $i, float $now, array $motions): array
    {
        [$mode, , , , , , , , , , $tOwn] = $motions;
        $best = INF;
        $with = -1;
        [$p, $v, $a] = self::motionAt($i, $now, $motions);
        $limit = $tOwn[$i] - $now;
        foreach ($mode as $j => $other) {
            if (self::DOWN === $other || $j === $i) {
                continue;
            }
            [$q, $u, $b] = self::motionAt($j, $now, $motions);
            $until = min($limit, $tOwn[$j] - $now);
            $t = $this->flight->toBall(
                [$p[0] - $q[0], $p[1] - $q[1], $p[2] - $q[2]],
                [$v[0] - $u[0], $v[1] - $u[1], $v[2] - $u[2]],
                [$a[0] - $b[0], $a[1] - $b[1], $a[2] - $b[2]],
                $until,
            );
            if ($t <= $until) {
                $limit = $t;
                $best = $now + $t;
                $with = $j;
            }
        }

        return [$best, $with];
    }

    /**
     * Place, velocity and acceleration of a ball now.
     *
     * @param Motions $motions
     *
     * @return array{array{float, float, float}, array{float, float, float}, array{float, float, float}}
     */
    private static function motionAt(int $i, float $now, array $motions): array
    {
        [$mode, $x, $y, $z, $vx, $vy, $vz, $ax, $ay, $t0] = $motions;
        if (self::REST === $mode[$i]) {
            return [[$x[$i], $y[$i], 0.0], [0.0, 0.0, 0.0], [0.0, 0.0, 0.0]];
        }
        $dt = $now - $t0[$i];
        $az = self::AIR === $mode[$i] ? -Defaults::GRAVITY : 0.0;

        return [
            [
                $x[$i] + ($vx[$i] + 0.5 * $ax[$i] * $dt) * $dt,
                $y[$i] + ($vy[$i] + 0.5 * $ay[$i] * $dt) * $dt,
                $z[$i] + ($vz[$i] + 0.5 * $az * $dt) * $dt,
            ],
            [$vx[$i] + $ax[$i] * $dt, $vy[$i] + $ay[$i] * $dt, $vz[$i] + $az * $dt],
            [$ax[$i], $ay[$i], $az],
        ];
    }

    /** Time until the centre is inside the inner rectangle again, s, or INF. */
    private function backOnBed(float $x, float $y, float $vx, float $vy, float $ax, float $ay): float
    {
        $reach = $this->reach;
        $back = 0.0;
        foreach ([
            [$x - $reach, $vx, $ax],
            [$this->length - $reach - $x, -$vx, -$ax],
            [$y - $reach, $vy, $ay],
            [$this->width - $reach - $y, -$vy, -$ay],
        ] as [$gap, $v, $a]) {
            if ($gap > 1e-9) {
                continue;
            }
            // The depth −gap closes as a gap does.
            $t = Contact::ofGap(max(-$gap, 0.0) + 1e-9, -$v, -$a);
            if ($t > $back) {
                $back = $t;
            }
        }

        return $back > 0.0 ? $back : INF;
    }

    /** The pocket whose mouth is nearest to a place. */
    private function pocketNear(float $x, float $y): int
    {
        $side = $y < 0.5 * $this->width ? 0 : 1;
        $third = $x < 0.25 * $this->length ? 0 : ($x < 0.75 * $this->length ? 2 : 4);

        return $third + $side;
    }

    /**
     * Direction from the ball's centre into what it meets.
     *
     * @return array{float, float}
     */
    private function normal(int $kind, int $what, float $x, float $y): array
    {
        if (self::EV_CUSHION === $kind || self::EV_NOSE === $kind) {
            return match ($what) {
                0 => [-1.0, 0.0],
                1 => [1.0, 0.0],
                2 => [0.0, -1.0],
                default => [0.0, 1.0],
            };
        }
        $jaw = $this->jaws[$what >> 1];
        $o = 6 * ($what & 1);
        if (self::EV_FACING === $kind) {
            return [-$jaw[$o + 4], -$jaw[$o + 5]];
        }
        $nx = $jaw[$o] - $x;
        $ny = $jaw[$o + 1] - $y;
        $d = sqrt($nx * $nx + $ny * $ny);

        return [$nx / $d, $ny / $d];
    }
}
