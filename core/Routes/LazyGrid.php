<?php

declare(strict_types=1);

namespace ZigLane\Core\Routes;

use ZigLane\Core\Equipment\TableGeometry;
use ZigLane\Core\Geometry\Point;

/**
 * Values of cue-ball positions, worked out at the nodes of a grid as they are asked for, with bilinear interpolation between them.
 *
 * @internal
 */
final class LazyGrid
{
    /** Distance of the nodes, m. */
    private const DISTANCE = 0.05;

    /** @var array<int, NodeValue> */
    private array $nodes = [];

    /** @param int $step only every so manieth node is used */
    public function __construct(private readonly TableGeometry $geometry, private readonly int $step = 1) {}

    /**
     * Value and chance at a place (m), bilinear between the nodes around it; of no one pot.
     *
     * @param NodeEvaluator $of not kept: whoever evaluates keeps this, and a circle of the two would live on until it is swept up
     */
    public function between(float $x, float $y, NodeEvaluator $of): NodeValue
    {
        $u = $x / (self::DISTANCE * $this->step);
        $v = $y / (self::DISTANCE * $this->step);
        $i = (int) floor($u);
        $j = (int) floor($v);
        $s = $u - $i;
        $t = $v - $j;
        $a = $this->node($i, $j, $of);
        $b = $this->node($i, $j + 1, $of);
        $c = $this->node($i + 1, $j, $of);
        $d = $this->node($i + 1, $j + 1, $of);

        return new NodeValue(
            (1 - $s) * ((1 - $t) * $a->value + $t * $b->value) + $s * ((1 - $t) * $c->value + $t * $d->value),
            (1 - $s) * ((1 - $t) * $a->chance + $t * $b->chance) + $s * ((1 - $t) * $c->chance + $t * $d->chance),
        );
    }

    /** The node nearest to a place, m. */
    public function nearest(float $x, float $y, NodeEvaluator $of): NodeValue
    {
        return $this->node((int) round($x / (self::DISTANCE * $this->step)), (int) round($y / (self::DISTANCE * $this->step)), $of);
    }

    private function node(int $i, int $j, NodeEvaluator $of): NodeValue
    {
        return $this->nodes[$i * 1024 + $j] ??= $of->nodeAt($this->place($i, $j));
    }

    /** A node outside counts as the nearest place that a ball can lie at. */
    private function place(int $i, int $j): Point
    {
        $far = self::DISTANCE * $this->step;

        return $this->geometry->onBed(new Point($i * $far, $j * $far));
    }
}
