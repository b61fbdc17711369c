<?php

declare(strict_types=1);

namespace ZigLane\Core\Physics\Internal;

use ZigLane\Core\Equipment\BallSpec;
use ZigLane\Core\Equipment\TableGeometry;
use ZigLane\Core\Settings\Defaults;

/**
 * A ball off the cloth: when it comes down, what it meets on the way, and what the contact gives it.
 *
 * In the air a ball falls freely and its spin stays as it is. Everything here is plain impulse mechanics in three dimensions with the
 * formulas of Kernel's frame: an impulse J per mass at the arm R n changes the velocity by J and the spin by (5/2R) (n × J), and a
 * surface that slips by u is stopped by (2/7) u.
 *
 * The nose is an edge of rubber at its height. A ball that passes over it leaves the table; so does one that passes over a jaw.
 */
final readonly class Flight
{
    /** A ball that leaves the cloth more slowly than this stays on it, m/s: it would rise 0.02 mm. */
    private const LEAST_HOP = 0.02;

    private float $radius;
    private float $friction;
    private float $noseFriction;
    private float $noseRestitution;
    private float $jawRestitution;
    private float $jawFriction;

    /** Height of the nose over the middle of a ball that lies on the cloth, m. */
    private float $nose;

    public function __construct(TableGeometry $geometry, private BallSpec $ball)
    {
        $this->radius = $ball->radius;
        $this->friction = $geometry->table->cloth->slide;
        $cushion = $geometry->table->cushion;
        $this->noseRestitution = $cushion->restitution;
        $this->noseFriction = $cushion->friction;
        $this->jawRestitution = $cushion->facingRestitution;
        $this->jawFriction = $cushion->facingFriction;
        $this->nose = $cushion->noseHeight * 2.0 * $ball->radius - $ball->radius;
    }

    /** Whether a ball at this height (m, over its place on the cloth) passes over the cushions. */
    public function isOver(float $z): bool
    {
        return $z >= $this->nose + $this->radius;
    }

    /** When a ball at a height with an upward speed comes down, s from now. */
    public static function landing(float $z, float $vz): float
    {
        $square = $vz * $vz + 2.0 * Defaults::GRAVITY * $z;

        return $square <= 0.0 ? 0.0 : max(0.0, ($vz + sqrt($square)) / Defaults::GRAVITY);
    }

    /**
     * When a ball meets a straight nose, or its middle passes over it; INF for neither in time.
     *
     * @param float $gap   from the ball's middle to the nose's line, level, m
     * @param float $speed toward the nose, m/s
     * @param float $until s
     *
     * @return array{float, bool} s from now; whether it passes over
     */
    public function toNose(float $gap, float $speed, float $z, float $vz, float $until): array
    {
        if ($speed <= 0.0 && $gap >= $this->radius) {
            return [INF, false];
        }
        // One that goes away from the rail can still come down on the nose.
        $hit = Contact::ofDiscs($gap, $z - $this->nose, -$speed, $vz, 0.0, -Defaults::GRAVITY, $this->radius, $until);
        $over = $speed > 0.0 ? max(0.0, $gap / $speed) : INF;
        if ($hit <= $over) {
            return [$hit, false];
        }

        return $over <= $until ? [$over, true] : [INF, false];
    }

    /**
     * When the surfaces of two balls first touch, s from now, or INF. As Contact::ofDiscs, in three dimensions.
     *
     * @param array{float, float, float} $p relative place, m
     * @param array{float, float, float} $v relative velocity, m/s
     * @param array{float, float, float} $a relative acceleration, m/s²
     * @param float                      $until s
     */
    public function toBall(array $p, array $v, array $a, float $until): float
    {
        [$px, $py, $pz] = $p;
        [$vx, $vy, $vz] = $v;
        [$ax, $ay, $az] = $a;
        $t = 0.0;
        for ($i = 0; $i < 200; ++$i) {
            $r = sqrt($px * $px + $py * $py + $pz * $pz);
            if ($r < 1e-12) {
                return $t;
            }
            $step = Contact::ofGap(
                $r - 2.0 * $this->radius,
                ($px * $vx + $py * $vy + $pz * $vz) / $r,
                ($px * $ax + $py * $ay + $pz * $az) / $r,
            );
            if (0.0 === $step) {
                return $t;
            }
            if ($step > $until - $t || INF === $step) {
                return INF;
            }
            $t += $step;
            $px += ($vx + 0.5 * $ax * $step) * $step;
            $py += ($vy + 0.5 * $ay * $step) * $step;
            $pz += ($vz + 0.5 * $az * $step) * $step;
            $vx += $ax * $step;
            $vy += $ay * $step;
            $vz += $az * $step;
        }

        return $t;
    }

    /**
     * A ball comes down on the cloth, or is struck down onto it by the cue: the slate throws it back, the cloth rubs.
     *
     * @return array{float, float, float, float, float} vx, vy, vz (m/s) and ωx, ωy (rad/s) afterwards; vz is 0 where it stays down
     */
    public function bounce(float $vx, float $vy, float $vz, float $wx, float $wy): array
    {
        $down = -$vz;
        $up = Defaults::SLATE_RESTITUTION * ($down - Defaults::SLATE_DEAD);
        if ($up < self::LEAST_HOP) {
            $up = 0.0;
        }
        $ux = $vx - $this->radius * $wy;
        $uy = $vy + $this->radius * $wx;
        $slip = sqrt($ux * $ux + $uy * $uy);
        if ($slip > 0.0) {
            $size = min($this->friction * ($down + $up), $slip / 3.5) / $slip;
            $vx -= $size * $ux;
            $vy -= $size * $uy;
            $turn = 2.5 / $this->radius * $size;
            $wx -= $turn * $uy;
            $wy += $turn * $ux;
        }

        return [$vx, $vy, $up, $wx, $wy];
    }

    /** Upward speed of a ball after a contact, m/s: nil where it lies on the cloth and hardly rises. */
    public static function rising(float $z, float $vz): float
    {
        return $z <= 0.0 && $vz >= 0.0 && $vz < self::LEAST_HOP ? 0.0 : $vz;
    }

    /**
     * A flying ball meets a nose or a jaw, whose place is at (nx, ny) times its distance.
     *
     * @param array{float, float, float} $v velocity, m/s
     * @param array{float, float, float} $w spin, rad/s
     * @param float                      $gap level distance of the edge, m; a jaw is taken as upright: the radius
     *
     * @return array{array{float, float, float}, array{float, float, float}} both afterwards
     */
    public function rebound(array $v, array $w, float $nx, float $ny, float $z, float $gap, bool $jaw): array
    {
        $level = min(1.0, $gap / $this->radius);
        $rise = sqrt(1.0 - $level * $level) * ($z > $this->nose ? -1.0 : 1.0);
        $n = [$level * $nx, $level * $ny, $rise];
        $into = $v[0] * $n[0] + $v[1] * $n[1] + $v[2] * $n[2];
        if ($into <= 0.0) {
            return [$v, $w];
        }
        $e = $jaw ? $this->jawRestitution : $this->noseRestitution;
        $mu = $jaw ? $this->jawFriction : $this->noseFriction;
        $blow = (1.0 + $e) * $into;
        $slip = self::tangential($v, $w, $n, $this->radius);
        $size = sqrt($slip[0] * $slip[0] + $slip[1] * $slip[1] + $slip[2] * $slip[2]);
        $rub = $size > 0.0 ? -min($mu * $blow, $size / 3.5) / $size : 0.0;
        $j = [$rub * $slip[0], $rub * $slip[1], $rub * $slip[2]];
        $turn = self::turn($n, $j, $this->radius);
        foreach ([0, 1, 2] as $k) {
            $v[$k] += $j[$k] - $blow * $n[$k];
            $w[$k] += $turn[$k];
        }

        return [$v, $w];
    }

    /**
     * Two balls meet, at least one of them in the air.
     *
     * @param array{float, float, float} $p place of the second from the first, m
     * @param array{float, float, float} $v velocity of the first against the second, m/s
     * @param array{float, float, float} $w sum of their spins, rad/s
     *
     * @return array{array{float, float, float}, array{float, float, float}} what the first's velocity changes by (the second's by the
     *                                                                        opposite), and what either's spin does
     */
    public function collision(array $p, array $v, array $w): array
    {
        $d = sqrt($p[0] * $p[0] + $p[1] * $p[1] + $p[2] * $p[2]);
        $n = [$p[0] / $d, $p[1] / $d, $p[2] / $d];
        $vn = $v[0] * $n[0] + $v[1] * $n[1] + $v[2] * $n[2];
        $slip = self::tangential($v, $w, $n, $this->radius);
        $size = sqrt($slip[0] * $slip[0] + $slip[1] * $slip[1] + $slip[2] * $slip[2]);
        [$blow, $rub] = BallCollision::impulses($this->ball, max(0.0, $vn), $size, 0.0);
        $rub = $size > 0.0 ? $rub / $size : 0.0;
        $j = [$rub * $slip[0], $rub * $slip[1], $rub * $slip[2]];
        $turn = self::turn($n, $j, $this->radius);

        return [[$j[0] - $blow * $n[0], $j[1] - $blow * $n[1], $j[2] - $blow * $n[2]], $turn];
    }

    /**
     * Slip at the point of contact: velocity and R ω × n, less what goes along n.
     *
     * @param array{float, float, float} $v
     * @param array{float, float, float} $w
     * @param array{float, float, float} $n
     *
     * @return array{float, float, float}
     */
    private static function tangential(array $v, array $w, array $n, float $radius): array
    {
        $ux = $v[0] + $radius * ($w[1] * $n[2] - $w[2] * $n[1]);
        $uy = $v[1] + $radius * ($w[2] * $n[0] - $w[0] * $n[2]);
        $uz = $v[2] + $radius * ($w[0] * $n[1] - $w[1] * $n[0]);
        $along = $ux * $n[0] + $uy * $n[1] + $uz * $n[2];

        return [$ux - $along * $n[0], $uy - $along * $n[1], $uz - $along * $n[2]];
    }

    /**
     * What an impulse at the arm R n changes the spin by.
     *
     * @param array{float, float, float} $n
     * @param array{float, float, float} $j
     *
     * @return array{float, float, float}
     */
    private static function turn(array $n, array $j, float $radius): array
    {
        $k = 2.5 / $radius;

        return [
            $k * ($n[1] * $j[2] - $n[2] * $j[1]),
            $k * ($n[2] * $j[0] - $n[0] * $j[2]),
            $k * ($n[0] * $j[1] - $n[1] * $j[0]),
        ];
    }
}
