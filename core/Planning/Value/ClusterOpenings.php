<?php

declare(strict_types=1);

namespace ZigLane\Core\Planning\Value;

use ZigLane\Core\Equipment\BallId;
use ZigLane\Core\Geometry\Point;
use ZigLane\Core\Physics\BallStates;
use ZigLane\Core\Physics\Layout;
use ZigLane\Core\Physics\Motion;
use ZigLane\Core\Rack\Rack;

/**
 * How often a cluster opens when the cue ball runs into it: tried, from all sides and at several speeds.
 *
 * A cluster on a rail may close again behind every stroke, one in the open hardly ever: one share for all would send players into
 * clusters that do not open.
 *
 * @internal
 */
final class ClusterOpenings
{
    /** Directions the cue ball comes from, and its speeds, rolling, m/s. */
    private const DIRECTIONS = 6;
    private const SPEEDS = [0.7, 1.6];

    /** It starts so far from the ball that it runs into, in diameters. */
    private const BEFORE = 1.6;

    /** It meets the ball so far off its middle, in radii, now to this side and now to that. */
    private const OFF = 0.8;

    /** A ball that keeps this share of what it would have alone lies open. */
    private const OPEN = 0.6;

    /** @var array<int, float> by ball that is run into */
    private array $shares = [];

    /**
     * @param int          $cluster balls, as bits
     * @param LayoutSketch $lying   the table as it lies
     */
    public function __construct(private readonly Rack $rack, private readonly int $cluster, private readonly LayoutSketch $lying) {}

    /**
     * Share of the tries after which the player's balls of the cluster go.
     *
     * @param int $met balls that are run into, as bits
     */
    public function share(int $met): float
    {
        $shares = [];
        foreach (RemainingBalls::ballsIn($met & $this->cluster) as $ball) {
            $shares[] = $this->shares[$ball] ??= $this->tried($ball);
        }

        return [] === $shares ? 0.0 : array_sum($shares) / \count($shares);
    }

    private function tried(int $ball): float
    {
        $simulator = $this->rack->simulator();
        $balls = $this->rack->layout->without(BallId::CUE);
        $at = $balls->ball($ball);
        $radius = $simulator->ball->radius;
        $tries = $open = 0;
        for ($n = 0; $n < self::DIRECTIONS; ++$n) {
            $way = 2 * M_PI * $n / self::DIRECTIONS;
            foreach (self::SPEEDS as $k => $speed) {
                $off = (0 === ($n + $k) % 2 ? 1 : -1) * self::OFF * $radius;
                $from = $at->toward($way, -self::BEFORE * 2 * $radius)->toward($way + M_PI_2, $off);
                if (!$simulator->geometry->canRest($from) || $this->isTaken($balls, $from)) {
                    continue;
                }
                ++$tries;
                $open += $this->opens($balls, $from, new Motion(
                    $speed * cos($way),
                    $speed * sin($way),
                    -$speed * sin($way) / $radius,
                    $speed * cos($way) / $radius,
                )) ? 1 : 0;
            }
        }

        return 0 === $tries ? 0.0 : $open / $tries;
    }

    private function isTaken(Layout $balls, Point $from): bool
    {
        $diameter = 2 * $this->rack->simulator()->ball->radius;

        return [] !== array_filter($balls->balls, static fn(Point $other): bool => $other->distanceTo($from) < $diameter);
    }

    private function opens(Layout $balls, Point $from, Motion $motion): bool
    {
        $state = new BallStates();
        $state->add($from->x, $from->y, $motion);
        foreach ($balls->balls as $place) {
            $state->add($place->x, $place->y);
        }
        $this->rack->simulator()->run($state);
        $moved = $places = [];
        foreach ($balls->objectBalls() as $n => $ball) {
            if (!$state->isDown($n + 1)) {
                $places[$ball] = new Point($state->x[$n + 1], $state->y[$n + 1]);
                if ($places[$ball]->distanceTo($balls->ball($ball)) > 0.0) {
                    $moved[$ball] = $places[$ball];
                }
            }
        }
        $sketch = $this->lying->moving($moved);
        $bits = array_sum(array_map(static fn(int $ball): int => 1 << $ball, array_keys($places)));
        foreach ($this->rack->rules()->ownBalls($this->rack->layout) as $ball) {
            if (0 === ($this->cluster >> $ball & 1) || !isset($places[$ball])) {
                continue;
            }
            if ($sketch->share($ball, $bits) < self::OPEN * $sketch->share($ball, 1 << $ball)) {
                return false;
            }
        }

        return true;
    }
}
