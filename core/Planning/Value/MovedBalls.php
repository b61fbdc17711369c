<?php

declare(strict_types=1);

namespace ZigLane\Core\Planning\Value;

use ZigLane\Core\Aiming\PocketWindow;
use ZigLane\Core\Equipment\Pocket;
use ZigLane\Core\Geometry\Angle;
use ZigLane\Core\Geometry\Point;
use ZigLane\Core\Numerics\NormalDistribution;
use ZigLane\Core\Rack\Rack;

/**
 * The value of a state in which a few of the balls have been moved.
 *
 * @internal
 */
final readonly class MovedBalls
{
    /** With moved balls: errors are this much larger than those of the direction alone; thinner cuts are no shots, rad. */
    private const LARGER = 1.15;
    private const THINNEST = 1.31;

    public function __construct(private Rack $rack, private PlanningCache $cache) {}

    /**
     * What is left of a few balls of which some have been moved, by plain geometry: the mouth as seen from where the ball now
     * lies, the ghost balls of its edges, the error of the cue's direction between them.
     *
     * @param ValueFunction                               $stateValues of the table before; not kept, they keep this
     * @param array<int, array{float, float}|null> $moved  where they lie now, m; null for one that fell
     * @param float                                $x     cue ball, m
     * @param float                                $y     m
     */
    public function valueOf(ValueFunction $stateValues, RemainingBalls $remaining, array $moved, float $x, float $y): float
    {
        foreach ($moved as $ball => $place) {
            $remaining = null === $place ? $remaining->without($ball) : $remaining;
        }
        if ($stateValues->isOver($remaining)) {
            return 1.0;
        }
        $g = $this->cache->simulator->geometry;
        $diameter = 2 * $this->cache->simulator->ball->radius;
        $sigma = $this->rack->player->aim * self::LARGER;
        $places = [];
        foreach ($this->rack->layout->objectBalls() as $ball) {
            if ($remaining->has($ball)) {
                $places[$ball] = isset($moved[$ball]) ? new Point(...$moved[$ball]) : $this->rack->layout->ball($ball);
            }
        }
        $best = 0.0;
        foreach ($stateValues->due($remaining) as $ball) {
            $at = $places[$ball];
            foreach (Pocket::cases() as $pocket) {
                [$low, $high] = PocketWindow::openMouth($g->pocket($pocket), $at, $g->reach);
                if ($high <= $low) {
                    continue;
                }
                $ax = $at->x - $diameter * cos($low) - $x;
                $ay = $at->y - $diameter * sin($low) - $y;
                $bx = $at->x - $diameter * cos($high) - $x;
                $by = $at->y - $diameter * sin($high) - $y;
                $cut = Angle::wrap(($low + $high) / 2 - atan2($ay + $by, $ax + $bx));
                if (abs($cut) > self::THINNEST) {
                    continue;
                }
                $others = array_diff_key($places, [$ball => true]);
                $mouth = $g->pocket($pocket)->mouthMiddle();
                $ghost = new Point($x + ($ax + $bx) / 2, $y + ($ay + $by) / 2);
                if (!$this->isClear($others, new Point($x, $y), $ghost) || !$this->isClear($others, $at, $mouth)) {
                    continue;
                }
                $wide = abs(atan2($ax * $by - $ay * $bx, $ax * $bx + $ay * $by));
                $best = max(
                    $best,
                    (2 * NormalDistribution::share($wide / 2 / max($sigma, 1e-6)) - 1) * self::onTo(
                        $stateValues->meanValue($remaining->without($ball)),
                        $stateValues->highest($remaining->without($ball)),
                    ),
                );
            }
        }

        return $best;
    }

    /** What a pot leads on to about, when all that is known is how good places are in general. */
    private static function onTo(float $mean, float $most): float
    {
        return ($mean + $most) / 2;
    }

    /**
     * Whether a ball can go from one place to another past the others.
     *
     * @param array<int, Point> $others
     */
    private function isClear(array $others, Point $from, Point $to): bool
    {
        $dx = $to->x - $from->x;
        $dy = $to->y - $from->y;
        $long = max($dx * $dx + $dy * $dy, 1e-9);
        $least = (2 * $this->cache->simulator->ball->radius) ** 2;
        foreach ($others as $p) {
            $at = max(0.0, min(1.0, (($p->x - $from->x) * $dx + ($p->y - $from->y) * $dy) / $long));
            if (($p->x - $from->x - $at * $dx) ** 2 + ($p->y - $from->y - $at * $dy) ** 2 < $least) {
                return false;
            }
        }

        return true;
    }
}
