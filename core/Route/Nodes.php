<?php

declare(strict_types=1);

namespace ZigLane\Core\Route;

use ZigLane\Core\Table\Point;
use ZigLane\Core\Table\TableGeometry;

/**
 * What places of the cue ball are worth, worked out at the nodes of a grid as they are asked for, and interpolated between.
 *
 * @internal
 */
final class Nodes
{
    /** Distance of the nodes, m. */
    private const DISTANCE = 0.05;

    /** @var array<int, array{float, float, int}> worth, chance and pot */
    private array $nodes = [];

    /**
     * @param \Closure(Point): array{float, float, int} $asked worth, chance and pot of a place
     * @param int                                       $step  only every so manieth node is used
     */
    public function __construct(private readonly TableGeometry $geometry, private readonly \Closure $asked, private readonly int $step = 1) {}

    /**
     * @param int $which 0 for the worth, 1 for the chance
     */
    public function between(float $x, float $y, int $which): float
    {
        $u = $x / (self::DISTANCE * $this->step);
        $v = $y / (self::DISTANCE * $this->step);
        $i = (int) floor($u);
        $j = (int) floor($v);
        $s = $u - $i;
        $t = $v - $j;

        return (1 - $s) * ((1 - $t) * $this->node($i, $j)[$which] + $t * $this->node($i, $j + 1)[$which])
            + $s * ((1 - $t) * $this->node($i + 1, $j)[$which] + $t * $this->node($i + 1, $j + 1)[$which]);
    }

    /**
     * The nearest node.
     *
     * @return array{float, float, int}
     */
    public function near(float $x, float $y): array
    {
        return $this->node((int) round($x / (self::DISTANCE * $this->step)), (int) round($y / (self::DISTANCE * $this->step)));
    }

    /**
     * @return array{float, float, int}
     */
    private function node(int $i, int $j): array
    {
        return $this->nodes[$i * 1024 + $j] ??= $this->worked($i, $j);
    }

    /**
     * @return array{float, float, int}
     */
    private function worked(int $i, int $j): array
    {
        // A node outside counts as the nearest place that a ball can lie at.
        $g = $this->geometry;
        $far = self::DISTANCE * $this->step;

        return ($this->asked)(new Point(max($g->reach, min($g->length - $g->reach, $i * $far)), max($g->reach, min($g->width - $g->reach, $j * $far))));
    }
}
