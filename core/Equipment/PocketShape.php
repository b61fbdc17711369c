<?php

declare(strict_types=1);

namespace ZigLane\Core\Equipment;

use ZigLane\Core\Geometry\Point;

/**
 * One pocket as the ball meets it: two nose tips, a facing running back from each, and the edge of the slate, which is
 * an arc of a circle. Lengths in m, directions are unit vectors.
 */
final readonly class PocketShape
{
    /** A ball nearer to the mouth than this hangs in it: it is sent further in, m. */
    private const HANGING = 0.06;

    /**
     * @param Point                $tipA        nose tip; A comes before B going round the table from the head rail's left
     * @param Point                $tipB        the other nose tip
     * @param array{float, float}  $facingA     direction of the facing from tip A into the pocket
     * @param array{float, float}  $facingB     the same from tip B
     * @param array{float, float}  $axis        from the mouth's middle into the pocket
     * @param Point                $dropCentre  centre of the cut in the slate
     * @param float                $dropRadius  a ball is down once its centre is this near the drop centre
     */
    public function __construct(
        public Pocket $pocket,
        public Point $tipA,
        public Point $tipB,
        public array $facingA,
        public array $facingB,
        public float $facingLength,
        public array $axis,
        public Point $dropCentre,
        public float $dropRadius,
    ) {}

    /** Middle between the two nose tips. */
    public function mouthMiddle(): Point
    {
        return new Point(($this->tipA->x + $this->tipB->x) / 2, ($this->tipA->y + $this->tipB->y) / 2);
    }

    /**
     * Where a ball that lies there is sent: to the middle of the mouth, and from near it or within the jaws so much further in that there
     * is always a way to it.
     */
    public function entrance(Point $from): Point
    {
        $middle = $this->mouthMiddle();
        $before = ($middle->x - $from->x) * $this->axis[0] + ($middle->y - $from->y) * $this->axis[1];
        $further = max(0.0, self::HANGING - $before);

        return 0.0 === $further ? $middle : new Point($middle->x + $this->axis[0] * $further, $middle->y + $this->axis[1] * $further);
    }

    /** Where on the edge of the slate a ball coming straight in falls. */
    public function dropEdge(): Point
    {
        return new Point(
            $this->dropCentre->x - $this->axis[0] * $this->dropRadius,
            $this->dropCentre->y - $this->axis[1] * $this->dropRadius,
        );
    }

    /** Angle between a ball's direction of travel (rad) and straight into the pocket, rad, 0–π. */
    public function angleFromSquare(float $direction): float
    {
        $cos = cos($direction) * $this->axis[0] + sin($direction) * $this->axis[1];

        return acos(max(-1.0, min(1.0, $cos)));
    }
}
