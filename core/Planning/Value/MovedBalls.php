<?php

declare(strict_types=1);

namespace ZigLane\Core\Planning\Value;

use ZigLane\Core\Geometry\Point;
use ZigLane\Core\Rack\Rack;

/**
 * The value of a state in which balls have been moved: by a sketch of the table as it then lies.
 *
 * @internal
 */
final readonly class MovedBalls
{
    /**
     * How far a later ball's chance is that of the best place: 1 − this · error of speed². Fitted to the state values of eight random
     * layouts of nine balls at each of the four levels (docs/planning.md).
     */
    private const UNSTEADY = 15.0;
    private const LEAST = 0.2;

    private float $steady;

    public function __construct(private Rack $rack, private PlanningCache $cache)
    {
        $this->steady = max(self::LEAST, 1 - self::UNSTEADY * $rack->player->speed ** 2);
    }

    /**
     * @param ValueFunction                        $rules what is due; not kept, it keeps this
     * @param array<int, array{float, float}|null> $moved where they lie now, m; null for one that fell
     * @param float                                $x     cue ball, m
     * @param float                                $y     m
     */
    public function valueOf(ValueFunction $rules, RemainingBalls $remaining, array $moved, float $x, float $y): float
    {
        foreach ($moved as $ball => $place) {
            $remaining = null === $place ? $remaining->without($ball) : $remaining;
        }
        $last = $this->rack->rules()->lastBall($this->rack->layout);
        if (!$this->rack->rules()->hasFixedOrder() && null !== $last && \array_key_exists($last, $moved) && null === $moved[$last]) {
            // The eight has fallen before its turn.
            return 0.0;
        }
        $places = [];
        foreach ($this->rack->layout->objectBalls() as $ball) {
            if ($remaining->has($ball)) {
                $places[$ball] = isset($moved[$ball]) ? new Point(...$moved[$ball]) : $this->rack->layout->ball($ball);
            }
        }

        return (new LayoutSketch($this->cache->simulator, $this->rack->player, $places, $this->steady))->valueAt($rules, $remaining, $x, $y);
    }
}
