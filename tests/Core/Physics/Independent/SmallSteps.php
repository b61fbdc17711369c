<?php

declare(strict_types=1);

namespace ZigLane\Tests\Core\Physics\Independent;

use ZigLane\Core\Settings\Defaults as D;

/**
 * A second opinion: the same physics by brute force. Time goes on in small steps under the forces of the cloth; when two
 * things have come to overlap, the step is taken again in halves until the overlap is a nanometre, and the impulse is
 * given. Vectors are three-dimensional and forces are applied at points, as a text on mechanics would. It predicts no
 * events and shares nothing with the core but the numbers in Settings\Defaults.
 *
 * @phpstan-type Vec array{float, float, float}
 */
final class SmallSteps
{
    private const STEP = 2e-4;
    private const LIMIT = 30.0;

    /** A ball this high passes over cushions, jaws and pockets, m. */
    private const OVER = 2 * D::NOSE_HEIGHT * D::BALL_RADIUS;

    /** @var array<int, Vec> */
    public array $x = [];
    /** @var array<int, Vec> */
    private array $v = [];
    /** @var array<int, Vec> */
    private array $w = [];
    /** @var array<int, string> pocket by ball */
    public array $down = [];
    /** @var list<int> balls that flew over a cushion */
    public array $off = [];

    /** @var list<array{float, float, float, float, bool}> straight stretches of rubber: ends, whether inside a pocket */
    private array $rubber = [];
    /** @var list<array{string, float, float, float}> drops: name, centre, radius */
    private array $drops = [];

    public function __construct(private readonly float $length, private readonly float $width)
    {
        $c = D::CORNER_MOUTH / sqrt(2);
        $h = D::SIDE_MOUTH / 2;
        // One quarter of the table: half a long rail, half a short one, a corner pocket and half a side pocket.
        foreach ([['head', 1.0], ['foot', -1.0]] as [$end, $fx]) {
            foreach ([['left', 1.0], ['right', -1.0]] as [$side, $fy]) {
                $map = fn(float $x, float $y): array => [$fx > 0 ? $x : $this->length - $x, $fy > 0 ? $y : $this->width - $y];
                $add = function (float $ax, float $ay, float $bx, float $by, bool $soft) use ($map): void {
                    [$p, $q] = [$map($ax, $ay), $map($bx, $by)];
                    $this->rubber[] = [$p[0], $p[1], $q[0], $q[1], $soft];
                };
                $add($c, 0, $this->length / 2 - $h, 0, false);
                $add(0, $c, 0, $this->width / 2, false);
                $turn = deg2rad(D::CORNER_FACING_DEG);
                $add($c, 0, $c + 0.16 * cos($turn), -0.16 * sin($turn), true);
                $add(0, $c, -0.16 * sin($turn), $c + 0.16 * cos($turn), true);
                $turn = deg2rad(180 - D::SIDE_FACING_DEG);
                $x = $this->length / 2 - $h;
                $add($x, 0, $x + 0.13 * cos($turn), -0.13 * sin($turn), true);
                $in = (D::CORNER_SHELF + D::CORNER_DROP_RADIUS) / sqrt(2);
                [$px, $py] = $map($c / 2 - $in, $c / 2 - $in);
                $this->drops[] = ["$end-$side", $px, $py, D::CORNER_DROP_RADIUS];
                if ('head' === $end) {
                    [$px, $py] = $map($this->length / 2, -(D::SIDE_SHELF + D::SIDE_DROP_RADIUS));
                    $this->drops[] = ["side-$side", $px, $py, D::SIDE_DROP_RADIUS];
                }
            }
        }
    }

    /**
     * @param Vec $v m/s
     * @param Vec $w rad/s
     */
    public function ball(int $id, float $x, float $y, array $v = [0.0, 0.0, 0.0], array $w = [0.0, 0.0, 0.0]): void
    {
        $this->x[$id] = [$x, $y, 0.0];
        $this->v[$id] = $v;
        $this->w[$id] = $w;
    }

    public function run(): void
    {
        $time = 0.0;
        while ($time < self::LIMIT && $this->moving()) {
            $step = self::STEP;
            $before = [$this->x, $this->v, $this->w];
            $this->advance($step);
            $overlap = $this->deepest();
            if (null !== $overlap && $overlap[0] > 1e-9) {
                // Back, and in halves up to the contact.
                $done = 0.0;
                [$this->x, $this->v, $this->w] = $before;
                for ($part = $step / 2; $part > 1e-12; $part /= 2) {
                    $here = [$this->x, $this->v, $this->w];
                    $this->advance($part);
                    $overlap = $this->deepest();
                    if (null !== $overlap && $overlap[0] > 1e-9) {
                        [$this->x, $this->v, $this->w] = $here;
                    } else {
                        $done += $part;
                    }
                }
                $this->advance(1e-12);
                $step = $done + 1e-12;
                for ($n = 0; $n < 100 && $this->touchAll(); ++$n);
            }
            $time += $step;
            $this->fall();
        }
    }

    private function isUp(int $i): bool
    {
        return $this->x[$i][2] > 0.0 || 0.0 !== $this->v[$i][2];
    }

    private function moving(): bool
    {
        foreach ($this->v as $i => $v) {
            if ($v[0] !== 0.0 || $v[1] !== 0.0 || $this->isUp($i)) {
                return true;
            }
        }

        return false;
    }

    /** Forces of the cloth for a short time. */
    private function advance(float $dt): void
    {
        $r = D::BALL_RADIUS;
        foreach ($this->v as $i => $v) {
            $w = $this->w[$i];
            if ($this->isUp($i)) {
                $fall = D::GRAVITY * $dt;
                $this->x[$i] = self::plus($this->x[$i], [$v[0] * $dt, $v[1] * $dt, ($v[2] - $fall / 2) * $dt]);
                $this->v[$i] = [$v[0], $v[1], $v[2] - $fall];
                continue;
            }
            $w[2] = $w[2] > 0 ? max(0.0, $w[2] - D::CLOTH_SPIN_DECAY * $dt) : min(0.0, $w[2] + D::CLOTH_SPIN_DECAY * $dt);
            $start = $v;
            // Velocity of the lowest point, v + ω × (0, 0, −R).
            $u = [$v[0] - $r * $w[1], $v[1] + $r * $w[0]];
            $slip = hypot($u[0], $u[1]);
            if ($slip > 1e-9) {
                // Friction μ m g against the slip, at most what ends it: force F moves the lowest point by (7/2) F/m.
                $push = min(D::CLOTH_SLIDE * D::GRAVITY * $dt, $slip / 3.5);
                $f = [-$push * $u[0] / $slip, -$push * $u[1] / $slip];
                $v = [$v[0] + $f[0], $v[1] + $f[1], 0.0];
                // Torque R (0,0,−1) × F over (2/5) m R².
                $w = [$w[0] + 2.5 / $r * $f[1], $w[1] - 2.5 / $r * $f[0], $w[2]];
            } else {
                $speed = hypot($v[0], $v[1]);
                $slow = min(D::CLOTH_ROLL * D::GRAVITY * $dt, $speed);
                $v = $speed > 1e-7 ? [$v[0] * (1 - $slow / $speed), $v[1] * (1 - $slow / $speed), 0.0] : [0.0, 0.0, 0.0];
                $w = [-$v[1] / $r, $v[0] / $r, $w[2]];
            }
            $this->x[$i] = [$this->x[$i][0] + ($start[0] + $v[0]) / 2 * $dt, $this->x[$i][1] + ($start[1] + $v[1]) / 2 * $dt, 0.0];
            $this->v[$i] = $v;
            $this->w[$i] = $w;
        }
    }

    /**
     * The deepest overlap of things that approach each other.
     *
     * @return array{float}|null
     */
    private function deepest(): ?array
    {
        $worst = null;
        foreach ($this->contacts(1e-9) as [, , , $depth, $closing]) {
            if ($closing > 0.0 && (null === $worst || $depth > $worst[0])) {
                $worst = [$depth];
            }
        }

        return $worst;
    }

    /**
     * Everything that overlaps: ball, other ball or −1, normal toward the other thing, depth, closing speed, softness.
     *
     * The other is −1 for rubber and −2 for the cloth under a ball that comes down.
     *
     * @return list<array{int, int, Vec, float, float, bool}>
     */
    private function contacts(float $from): array
    {
        $found = [];
        $ids = array_keys($this->x);
        foreach ($ids as $n => $i) {
            [$x, $y, $z] = $this->x[$i];
            [$vx, $vy, $vz] = $this->v[$i];
            if ($this->isUp($i) && -$z > $from) {
                $found[] = [$i, -2, [0.0, 0.0, -1.0], -$z, -$vz, false];
            }
            for ($m = $n + 1; $m < \count($ids); ++$m) {
                $j = $ids[$m];
                $dx = $this->x[$j][0] - $x;
                $dy = $this->x[$j][1] - $y;
                if (abs($dx) > 0.06 || abs($dy) > 0.06) {
                    continue;
                }
                $dz = $this->x[$j][2] - $z;
                $d = sqrt($dx * $dx + $dy * $dy + $dz * $dz);
                $depth = 2 * D::BALL_RADIUS - $d;
                if ($depth > $from) {
                    $n3 = [$dx / $d, $dy / $d, $dz / $d];
                    $closing = self::dot(self::plus($this->v[$i], self::times(-1.0, $this->v[$j])), $n3);
                    $found[] = [$i, $j, $n3, $depth, $closing, false];
                }
            }
            if (($vx === 0.0 && $vy === 0.0) || ($x > 0.1 && $y > 0.1 && $x < $this->length - 0.1 && $y < $this->width - 0.1)) {
                continue;
            }
            $reach = D::BALL_RADIUS * sqrt(1 - (2 * D::NOSE_HEIGHT - 1) ** 2);
            foreach ($this->rubber as [$ax, $ay, $bx, $by, $soft]) {
                $ex = $bx - $ax;
                $ey = $by - $ay;
                $along = (($x - $ax) * $ex + ($y - $ay) * $ey) / ($ex * $ex + $ey * $ey);
                // The open end of a nose is its tip, which is as soft as the facing that begins there.
                $tip = $along <= 0.0 || ($along >= 1.0 && !$soft && abs($bx - $this->length / 2) > 1e-9 && abs($by - $this->width / 2) > 1e-9);
                $along = max(0.0, min(1.0, $along));
                $dx = $ax + $along * $ex - $x;
                $dy = $ay + $along * $ey - $y;
                $d = hypot($dx, $dy);
                if ($this->isUp($i) && !$soft && !$tip) {
                    // The nose is an edge at its height.
                    $dz = (2 * D::NOSE_HEIGHT - 1) * D::BALL_RADIUS - $z;
                    $d = sqrt($dx * $dx + $dy * $dy + $dz * $dz);
                    if (D::BALL_RADIUS - $d > $from) {
                        $found[] = [$i, -1, [$dx / $d, $dy / $d, $dz / $d], D::BALL_RADIUS - $d, ($vx * $dx + $vy * $dy + $vz * $dz) / $d, false];
                    }
                } elseif ($reach - $d > $from && $d > 0.0) {
                    $found[] = [$i, -1, [$dx / $d, $dy / $d, 0.0], $reach - $d, ($vx * $dx + $vy * $dy) / $d, $soft || $tip];
                }
            }
        }

        return $found;
    }

    /** Gives one impulse where something overlaps and closes; whether there was such a thing. */
    private function touchAll(): bool
    {
        foreach ($this->contacts(-1e-9) as [$i, $j, $n, , $closing, $soft]) {
            if ($closing > 1e-12) {
                match (true) {
                    $j >= 0 => $this->balls($i, $j, $n, $closing),
                    -2 === $j => $this->cloth($i),
                    $this->isUp($i) => $this->edge($i, $n, $closing, $soft),
                    default => $this->rail($i, [$n[0], $n[1]], $soft),
                };

                return true;
            }
        }

        return false;
    }

    /** The slate under a ball that comes down. */
    private function cloth(int $i): void
    {
        $down = -$this->v[$i][2];
        $up = max(0.0, D::SLATE_RESTITUTION * ($down - D::SLATE_DEAD));
        $up = $up < 0.02 ? 0.0 : $up;
        $this->x[$i][2] = 0.0;
        $this->push($i, [0.0, 0.0, -1.0], $down + $up, D::CLOTH_SLIDE);
        $this->v[$i][2] = $up;
    }

    /**
     * Rubber that a flying ball meets.
     *
     * @param Vec $n
     */
    private function edge(int $i, array $n, float $closing, bool $soft): void
    {
        if ($soft && $this->x[$i][2] >= self::OVER) {
            $this->leave($i);

            return;
        }
        $this->push($i, $n, (1 + ($soft ? D::FACING_RESTITUTION : D::CUSHION_RESTITUTION)) * $closing, $soft ? D::FACING_FRICTION : D::CUSHION_FRICTION);
    }

    /**
     * An impulse against the normal n at the ball's surface there, and Coulomb's friction with it.
     *
     * @param Vec $n
     */
    private function push(int $i, array $n, float $blow, float $mu): void
    {
        $r = D::BALL_RADIUS;
        $arm = self::times($r, $n);
        $slip = self::plus($this->v[$i], self::cross($this->w[$i], $arm));
        $slip = self::plus($slip, self::times(-self::dot($slip, $n), $n));
        $size = sqrt(self::dot($slip, $slip));
        $friction = self::times($size > 0 ? -min($mu * $blow, $size / 3.5) / $size : 0.0, $slip);
        $this->v[$i] = self::plus($this->v[$i], self::plus(self::times(-$blow, $n), $friction));
        $this->w[$i] = self::plus($this->w[$i], self::times(2.5 / $r ** 2, self::cross($arm, $friction)));
    }

    /**
     * @param Vec $n
     */
    private function balls(int $i, int $j, array $n, float $closing): void
    {
        $r = D::BALL_RADIUS;
        $arm = self::times($r, $n);
        $flat = !$this->isUp($i) && !$this->isUp($j);
        $a = self::plus($this->v[$i], self::cross($this->w[$i], $arm));
        $b = self::plus($this->v[$j], self::cross($this->w[$j], self::times(-1.0, $arm)));
        $slip = self::plus($a, self::times(-1.0, $b));
        $normal = $n;
        $slip = self::plus($slip, self::times(-self::dot($slip, $normal), $normal));
        $size = sqrt(self::dot($slip, $slip));
        $blow = (1 + D::BALL_RESTITUTION) / 2 * $closing;
        $rub = $size > 0 ? min((D::BALL_FRICTION_FLOOR + D::BALL_FRICTION_RISE * exp(-D::BALL_FRICTION_FALL * $size)) * $blow, $size / 7) / $size : 0.0;
        $friction = self::times(-$rub, $slip);
        $impulse = self::plus(self::times(-$blow, $normal), $friction);
        $turn = self::times(2.5 / $r ** 2, self::cross($arm, $impulse));
        $this->v[$i] = self::plus($this->v[$i], $impulse);
        $this->v[$j] = self::plus($this->v[$j], self::times(-1.0, $impulse));
        foreach ([$i, $j] as $k) {
            if ($flat || ($this->x[$k][2] <= 0.0 && $this->v[$k][2] >= 0.0 && $this->v[$k][2] < 0.02)) {
                $this->v[$k] = self::flat($this->v[$k]);
            }
        }
        $this->w[$i] = self::plus($this->w[$i], $turn);
        $this->w[$j] = self::plus($this->w[$j], $turn);
    }

    /**
     * The cushion in very small plain impulses.
     *
     * @param array{float, float} $n
     */
    private function rail(int $i, array $n, bool $soft): void
    {
        $r = D::BALL_RADIUS;
        $s = 2 * D::NOSE_HEIGHT - 1;
        $c = sqrt(1 - $s * $s);
        $line = [$c * $n[0], $c * $n[1], $s]; // from the centre to the nose
        $nose = self::times($r, $line);
        $foot = [0.0, 0.0, -$r];
        $e = $soft ? D::FACING_RESTITUTION : D::CUSHION_RESTITUTION;
        $mu = $soft ? D::FACING_FRICTION : D::CUSHION_FRICTION;
        $v = $this->v[$i];
        $w = $this->w[$i];
        $into = $v[0] * $n[0] + $v[1] * $n[1];
        $bit = $into / 3000;
        $work = 0.0;
        $back = INF;
        for ($k = 0; $k < 60000; ++$k) {
            $at = self::plus($v, self::cross($w, $nose));
            $at = self::plus($at, self::times(-self::dot($at, $line), $line));
            $slip = sqrt(self::dot($at, $at));
            $force = self::times(-1.0, $line);
            if ($slip > 0) {
                $force = self::plus($force, self::times(-min($mu, $slip / (3.5 * $bit)) / $slip, $at));
            }
            $below = self::flat(self::plus($v, self::cross($w, $foot)));
            $load = max(0.0, -$force[2]);
            $slip = sqrt(self::dot($below, $below));
            $cloth = $slip > 0 ? self::times(-min(D::CUSHION_CLOTH_FRICTION * $load, $slip / (3.5 * $bit)) / $slip, $below) : [0.0, 0.0, 0.0];
            $speed = $v[0] * $n[0] + $v[1] * $n[1];
            $after = self::flat(self::plus($v, self::times($bit, self::plus($force, $cloth))));
            $next = $after[0] * $n[0] + $after[1] * $n[1];
            $gain = ($speed + $next) / 2 * $bit;
            // The step in which the ball stands still, and the one in which the work is given back, end just there.
            $share = 1.0;
            if (INF === $back && $next < 0.0) {
                $share = $speed / ($speed - $next);
            } elseif (INF !== $back && $work + $gain < $back) {
                $share = ($back - $work) / $gain;
            }
            $v = self::flat(self::plus($v, self::times($share * $bit, self::plus($force, $cloth))));
            $w = self::plus($w, self::times(2.5 * $share * $bit / $r ** 2, self::plus(self::cross($nose, $force), self::cross($foot, $cloth))));
            $work += ($speed + $v[0] * $n[0] + $v[1] * $n[1]) / 2 * $share * $bit;
            if ($share < 1.0) {
                if (INF !== $back) {
                    break;
                }
                $back = $work * (1 - $e * $e);
            }
        }
        $this->v[$i] = $v;
        $this->w[$i] = $w;
    }

    private function leave(int $i): void
    {
        $this->off[] = $i;
        unset($this->x[$i], $this->v[$i], $this->w[$i]);
    }

    private function fall(): void
    {
        foreach ($this->x as $i => [$x, $y, $z]) {
            $past = $x < 0 || $y < 0 || $x > $this->length || $y > $this->width;
            if ($past && $z >= self::OVER) {
                $this->leave($i);
                continue;
            }
            foreach ($this->drops as [$name, $px, $py, $radius]) {
                if (hypot($x - $px, $y - $py) < $radius && $z >= self::OVER) {
                    $this->leave($i);
                } elseif (hypot($x - $px, $y - $py) < $radius) {
                    $this->down[$i] = $name;
                    unset($this->x[$i], $this->v[$i], $this->w[$i]);
                }
            }
        }
    }

    /**
     * @param Vec $a
     * @param Vec $b
     *
     * @return Vec
     */
    private static function plus(array $a, array $b): array
    {
        return [$a[0] + $b[0], $a[1] + $b[1], $a[2] + $b[2]];
    }

    /**
     * @param Vec $a
     *
     * @return Vec
     */
    private static function times(float $k, array $a): array
    {
        return [$k * $a[0], $k * $a[1], $k * $a[2]];
    }

    /**
     * @param Vec $a
     * @param Vec $b
     */
    private static function dot(array $a, array $b): float
    {
        return $a[0] * $b[0] + $a[1] * $b[1] + $a[2] * $b[2];
    }

    /**
     * @param Vec $a
     * @param Vec $b
     *
     * @return Vec
     */
    private static function cross(array $a, array $b): array
    {
        return [$a[1] * $b[2] - $a[2] * $b[1], $a[2] * $b[0] - $a[0] * $b[2], $a[0] * $b[1] - $a[1] * $b[0]];
    }

    /**
     * The table holds the ball down and up.
     *
     * @param Vec $a
     *
     * @return Vec
     */
    private static function flat(array $a): array
    {
        return [$a[0], $a[1], 0.0];
    }
}
