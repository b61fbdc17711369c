<?php

declare(strict_types=1);

namespace ZigLane\Core\Reading;

use ZigLane\Core\Equipment\BallId;
use ZigLane\Core\Geometry\Angle;
use ZigLane\Core\Geometry\Point;
use ZigLane\Core\Geometry\Region;
use ZigLane\Core\Physics\EventType;
use ZigLane\Core\Physics\ShotResult;

/**
 * How the cue ball comes to a position zone: along the line of the next shot or across it, and for how long it is inside.
 */
final readonly class Arrival
{
    /** Places looked at along the way, m. */
    private const STEP = 0.01;

    /** Nearer than this (rad) to the line of the shot it comes into the line; beyond ACROSS it crosses it. */
    private const INTO = 0.61; // 35°
    private const ACROSS = 0.96; // 55°

    /**
     * @param float  $stretch length of its last way inside the zone, m; 0 when it misses the zone
     * @param bool   $stops   whether it stops inside
     * @param string $how     "into the line", "along the line, away from the ball", "across the line", "at a slant to the line",
     *                        or "" when it misses the zone
     */
    private function __construct(public float $stretch, public bool $stops, public string $how) {}

    /** How a cue ball on its way comes to a zone. */
    public static function of(ShotResult $result, Region $region, Point $next): self
    {
        [$way, $stops] = self::inside($result, $region);
        $stretch = 0.0;
        $turn = 0.0;
        foreach ($way as $i => $p) {
            $step = $i > 0 ? $way[$i - 1]->distanceTo($p) : 0.0;
            $stretch += $step;
            if ($step > 1e-9) {
                $turn += $step * abs(Angle::wrap($way[$i - 1]->angleTo($p) - $p->angleTo($next)));
            }
        }
        if ($stretch < 1e-6) {
            return new self(0.0, $stops, $stops ? 'stopped in it' : '');
        }
        $angle = $turn / $stretch;

        return new self($stretch, $stops, match (true) {
            $angle < self::INTO => 'into the line',
            $angle > M_PI - self::INTO => 'along the line, away from the ball',
            $angle > self::ACROSS && $angle < M_PI - self::ACROSS => 'across the line',
            default => 'at a slant to the line',
        });
    }

    /**
     * The last stretch of the cue ball's way inside the zone, walked in steps.
     *
     * @return array{list<Point>, bool} and whether it ends there
     */
    private static function inside(ShotResult $result, Region $region): array
    {
        $hit = self::contact($result);
        $inside = [];
        $last = [];
        foreach ($result->paths[BallId::CUE] ?? [] as $piece) {
            if ($piece->to <= $hit) {
                continue;
            }
            $steps = max(1, (int) ceil($piece->length() / self::STEP));
            for ($i = 0; $i <= $steps; ++$i) {
                $p = $piece->at($piece->from + ($piece->to - $piece->from) * $i / $steps);
                if ($region->contains($p->x, $p->y)) {
                    $inside[] = $p;
                } elseif ([] !== $inside) {
                    $last = $inside;
                    $inside = [];
                }
            }
        }

        return [[] === $inside ? $last : $inside, [] !== $inside];
    }

    /** When the cue ball meets its first ball, s; 0 when it meets none. */
    private static function contact(ShotResult $result): float
    {
        return ($result->eventsOf(BallId::CUE, EventType::BallBall)[0] ?? null)->time ?? 0.0;
    }
}
