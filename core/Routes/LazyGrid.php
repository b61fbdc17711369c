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

    /** @var array<int, array{float, float, int}> value, chance and pot */
    private array $nodes = [];

    /** @param int $step only every so manieth node is used */
    public function __construct(private readonly TableGeometry $geometry, private readonly int $step = 1) {}

    /**
     * @param int    $which 0 for the value, 1 for the chance
     * @param NodeEvaluator $of    not kept: whoever is asked keeps this, and a circle of the two would live on until it is swept up
     */
    public function between(float $x, float $y, int $which, NodeEvaluator $of): float
    {
        $u = $x / (self::DISTANCE * $this->step);
        $v = $y / (self::DISTANCE * $this->step);
        $i = (int) floor($u);
        $j = (int) floor($v);
        $s = $u - $i;
        $t = $v - $j;

        return (1 - $s) * ((1 - $t) * $this->node($i, $j, $of)[$which] + $t * $this->node($i, $j + 1, $of)[$which])
            + $s * ((1 - $t) * $this->node($i + 1, $j, $of)[$which] + $t * $this->node($i + 1, $j + 1, $of)[$which]);
    }

    /**
     * The nearest node.
     *
     * @return array{float, float, int}
     */
    public function near(float $x, float $y, NodeEvaluator $of): array
    {
        return $this->node((int) round($x / (self::DISTANCE * $this->step)), (int) round($y / (self::DISTANCE * $this->step)), $of);
    }

    /**
     * @return array{float, float, int}
     */
    private function node(int $i, int $j, NodeEvaluator $of): array
    {
        return $this->nodes[$i * 1024 + $j] ??= $this->worked($i, $j, $of);
    }

    /**
     * @return array{float, float, int}
     */
    private function worked(int $i, int $j, NodeEvaluator $of): array
    {
        // A node outside counts as the nearest place that a ball can lie at.
        $g = $this->geometry;
        $far = self::DISTANCE * $this->step;

        return $of->asked(
            new Point(max($g->reach, min($g->length - $g->reach, $i * $far)), max($g->reach, min($g->width - $g->reach, $j * $far))),
        );
    }
}
