<?php

declare(strict_types=1);

namespace ZigLane\Core\Physics\Internal;

/**
 * What a cushion makes of a rolling ball, from a table.
 *
 * A rolling ball does not slip on the cloth, and the law of CushionImpact has no scale of its own: what velocity and spin
 * change by, divided by the speed into the cushion, depends on one number alone, the slip along the nose over that speed. Those
 * changes are worked out finely at the nodes of a table as they are first asked for; between nodes they are linear.
 */
final class RollingRebound
{
    /** Nodes over slip / (slip + speed into the cushion), 0–1. */
    private const NODES = 512;

    /** Steps of the impact at a node. */
    private const STEPS = 400;

    /** Slip over speed that stands for grazing along the cushion. */
    private const GRAZING = 1e7;

    /** Tables kept, by the numbers of a cushion: racks on one table share theirs. */
    private const KEPT = 8;

    /** @var array<string, self> */
    private static array $tables = [];

    /** @var array<int, float> changes over the speed into the cushion, by node: of velocity along it, velocity into it … */
    private array $vx = [];

    /** @var array<int, float> */
    private array $vy = [];

    /** @var array<int, float> … and of R times the spin about the cushion's direction, the one into it and the vertical */
    private array $rwx = [];

    /** @var array<int, float> */
    private array $rwy = [];

    /** @var array<int, float> */
    private array $rwz = [];

    /**
     * @param float $e   normal restitution
     * @param float $mu  friction at the nose
     * @param float $muc friction on the cloth
     * @param float $s   sine of the height of the contact
     * @param float $c   and its cosine
     */
    private function __construct(
        private readonly float $e,
        private readonly float $mu,
        private readonly float $muc,
        private readonly float $s,
        private readonly float $c,
    ) {}

    /** The table of a cushion; parameters as in CushionImpact. */
    public static function of(float $e, float $mu, float $muc, float $s, float $c): self
    {
        $key = pack('E5', $e, $mu, $muc, $s, $c);
        if (!isset(self::$tables[$key]) && \count(self::$tables) >= self::KEPT) {
            array_shift(self::$tables);
        }

        return self::$tables[$key] ??= new self($e, $mu, $muc, $s, $c);
    }

    /**
     * @param float $vx  along the cushion, m/s
     * @param float $vy  into the cushion, m/s, ≥ 0
     * @param float $rwz R times the spin about the vertical, m/s; the rest of the spin is that of rolling
     *
     * @return array{float, float, float, float, float} as CushionImpact::rebound
     */
    public function rebound(float $vx, float $vy, float $rwz): array
    {
        if ($vy < CushionImpact::LEAST_PARTING) {
            return [$vx, -CushionImpact::LEAST_PARTING, -$vy, $vx, $rwz];
        }
        $slip = $vx * (1.0 + $this->s) - $rwz * $this->c;
        $along = $slip < 0.0 ? -$slip : $slip;
        $at = self::NODES * $along / ($along + $vy);
        $n = (int) $at;
        if (!isset($this->vy[$n], $this->vy[$n + 1])) {
            $this->fill($n);
            $this->fill($n + 1);
        }
        $t = ($at - $n) * $vy;
        $u = $vy - $t;
        $m = $n + 1;
        $out = $vy + $u * $this->vy[$n] + $t * $this->vy[$m];
        if ($out > -CushionImpact::LEAST_PARTING) {
            $out = -CushionImpact::LEAST_PARTING;
        }
        $rwx = $u * $this->rwx[$n] + $t * $this->rwx[$m] - $vy;
        // A ball that slips the other way is the mirror image.
        if ($slip < 0.0) {
            $u = -$u;
            $t = -$t;
        }

        return [
            $vx + $u * $this->vx[$n] + $t * $this->vx[$m],
            $out,
            $rwx,
            $vx + $u * $this->rwy[$n] + $t * $this->rwy[$m],
            $rwz + $u * $this->rwz[$n] + $t * $this->rwz[$m],
        ];
    }

    private function fill(int $node): void
    {
        if (isset($this->vy[$node])) {
            return;
        }
        $slip = $node < self::NODES ? $node / (self::NODES - $node) : self::GRAZING;
        $vx = $slip / (1.0 + $this->s);
        [$x, $y, $p, $q, $r] = CushionImpact::rebound(
            $vx,
            1.0,
            -1.0,
            $vx,
            0.0,
            $this->e,
            $this->mu,
            $this->muc,
            $this->s,
            $this->c,
            self::STEPS,
        );
        $this->vx[$node] = $x - $vx;
        $this->vy[$node] = $y - 1.0;
        $this->rwx[$node] = $p + 1.0;
        $this->rwy[$node] = $q - $vx;
        $this->rwz[$node] = $r;
    }
}
