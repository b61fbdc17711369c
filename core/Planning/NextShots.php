<?php

declare(strict_types=1);

namespace ZigLane\Core\Planning;

use ZigLane\Core\Equipment\BallId;
use ZigLane\Core\Geometry\Point;
use ZigLane\Core\Geometry\Region;
use ZigLane\Core\Rack\Rack;
use ZigLane\Core\Settings\Defaults;

/**
 * What to play next from all over the zone that a plan's shot asks for: the cue ball seldom stops just where it was meant to.
 */
final class NextShots
{
    /** Places in one zone at most, and how far apart they are at least, m (our own choice). */
    private const PLACES = 5;
    private const APART = 0.15;

    /** Steps in which a zone is looked through, m. */
    private const STEP = 0.05;

    private ?Planner $planner = null;
    private readonly LineMaker $maker;

    public function __construct(private readonly Plan $plan)
    {
        $this->maker = new LineMaker($plan->rack);
    }

    /**
     * The next shot from places in the zone of one.
     *
     * @param int $number of the shot whose zone it is, from 1; the last one has none
     *
     * @return list<PlannedShot> each from its own place, with the balls where the plan leaves them
     */
    public function after(int $number): array
    {
        $next = $this->plan->shots[$number] ?? null;
        if (null === $next) {
            return [];
        }
        $shot = $this->plan->shots[$number - 1];
        $shots = [];
        foreach (self::places($shot->zone, $shot->rest) as $place) {
            $rack = $this->at($next, $place);
            if (null === $rack) {
                continue;
            }
            $this->planner ??= new Planner($this->plan->rack, SearchBudget::look());
            $choice = $this->planner->next($rack);
            $step = null === $choice ? null : $this->maker->step($this->planner, $this->planner, $rack, $choice);
            if (null !== $step) {
                $shots[] = $step->shot;
            }
        }

        return $shots;
    }

    /** The table before a shot with the cue ball elsewhere; null where it cannot lie. */
    private function at(PlannedShot $next, Point $place): ?Rack
    {
        foreach ($next->before->objectBalls() as $ball) {
            if ($next->before->ball($ball)->distanceTo($place) < 2 * Defaults::BALL_RADIUS) {
                return null;
            }
        }

        return $this->plan->before($next)->withBall(BallId::CUE, $place);
    }

    /**
     * Places all over a region, the farthest from those chosen before first: T. F. Gonzalez, "Clustering to minimize the maximum
     * intercluster distance", Theor. Comput. Sci. 38, 1985.
     *
     * @param Point $from the first place, which is not among them: its shot is known
     *
     * @return list<Point>
     */
    public static function places(Region $region, Point $from): array
    {
        $left = self::grid($region);
        $chosen = [];
        $nearest = array_map(static fn(Point $p): float => $p->distanceTo($from), $left);
        while (\count($chosen) < self::PLACES) {
            $farthest = max([0.0, ...$nearest]);
            if ($farthest < self::APART) {
                break;
            }
            $place = $left[(int) array_search($farthest, $nearest, true)];
            $chosen[] = $place;
            $nearest = array_map(static fn(Point $p, float $d): float => min($d, $p->distanceTo($place)), $left, $nearest);
        }

        return $chosen;
    }

    /**
     * @return list<Point> of the region
     */
    private static function grid(Region $region): array
    {
        $xs = $ys = [];
        foreach ($region->rings as $ring) {
            foreach ($ring as $p) {
                [$xs[], $ys[]] = [$p->x, $p->y];
            }
        }
        $places = [];
        [$right, $bottom] = [max([-INF, ...$xs]), max([-INF, ...$ys])];
        for ($x = min([INF, ...$xs]) + self::STEP / 2; $x < $right; $x += self::STEP) {
            for ($y = min([INF, ...$ys]) + self::STEP / 2; $y < $bottom; $y += self::STEP) {
                if ($region->contains($x, $y)) {
                    $places[] = new Point($x, $y);
                }
            }
        }

        return $places;
    }
}
