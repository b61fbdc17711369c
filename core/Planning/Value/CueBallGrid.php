<?php

declare(strict_types=1);

namespace ZigLane\Core\Planning\Value;

use ZigLane\Core\Equipment\TableGeometry;

/**
 * The cue ball's positions for which state values are worked out.
 *
 * @internal
 */
final readonly class CueBallGrid
{
    public const LONG = 30;
    public const ACROSS = 15;
    public const NODES = (self::LONG + 1) * (self::ACROSS + 1);

    public float $left;
    public float $dx;
    public float $dy;

    public function __construct(TableGeometry $g)
    {
        $this->left = $g->reach;
        $this->dx = ($g->length - 2 * $g->reach) / self::LONG;
        $this->dy = ($g->width - 2 * $g->reach) / self::ACROSS;
    }

    /** The cell of a place, m; the nearest one for a place outside. */
    public function cell(float $x, float $y): GridCell
    {
        return new GridCell(...$this->located($x, $y));
    }

    /**
     * A plain array, because values are read between nodes millions of times a plan.
     *
     * @return array{int, float, float} the cell's lower node, where in it along and across
     */
    private function located(float $x, float $y): array
    {
        $u = ($x - $this->left) / $this->dx;
        $v = ($y - $this->left) / $this->dy;
        $i = $u < 0.0 ? 0 : ($u >= self::LONG ? self::LONG - 1 : (int) $u);
        $j = $v < 0.0 ? 0 : ($v >= self::ACROSS ? self::ACROSS - 1 : (int) $v);
        $s = $u - $i;
        $t = $v - $j;

        return [$i * (self::ACROSS + 1) + $j, $s < 0.0 ? 0.0 : ($s > 1.0 ? 1.0 : $s), $t < 0.0 ? 0.0 : ($t > 1.0 ? 1.0 : $t)];
    }

    /** The node nearest to a place, m. */
    public function node(float $x, float $y): int
    {
        [$n, $s, $t] = $this->located($x, $y);

        return $n + ($s > 0.5 ? self::ACROSS + 1 : 0) + ($t > 0.5 ? 1 : 0);
    }

    /**
     * @param array<int, float> $values by node
     */
    public function between(array $values, float $x, float $y): float
    {
        [$n, $s, $t] = $this->located($x, $y);
        $m = $n + self::ACROSS + 1;

        return (1 - $s) * ((1 - $t) * $values[$n] + $t * $values[$n + 1]) + $s * ((1 - $t) * $values[$m] + $t * $values[$m + 1]);
    }

    /**
     * @return list<array{float, float}> m, by node
     */
    public function nodes(): array
    {
        $nodes = [];
        for ($i = 0; $i <= self::LONG; ++$i) {
            for ($j = 0; $j <= self::ACROSS; ++$j) {
                $nodes[] = [$this->left + $i * $this->dx, $this->left + $j * $this->dy];
            }
        }

        return $nodes;
    }
}
