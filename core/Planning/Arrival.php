<?php

declare(strict_types=1);

namespace ZigLane\Core\Planning;

use ZigLane\Core\Equipment\BallId;
use ZigLane\Core\Geometry\Angle;
use ZigLane\Core\Geometry\Point;
use ZigLane\Core\Physics\PathPiece;
use ZigLane\Core\Rack\Rack;
use ZigLane\Core\Routes\Route;

/**
 * How the cue ball comes to its stop: along the line of the next shot, where an error of speed still leaves that shot, or across it.
 */
final readonly class Arrival
{
    /** Straight to within this share of its length, a stretch of the way counts as one. */
    private const STRAIGHT = 0.995;

    /** A stretch shorter than this (m) comes from nowhere in particular. */
    private const SHORTEST = 0.4;

    /** Angles (rad) at which the way is along the line, may pass for it, and crosses it. */
    private const ALONG = 0.52;
    private const NEARLY = 0.79;
    private const ACROSS = 1.05;

    /**
     * @param float $way   last straight stretch, m
     * @param float $angle between it and the line from the next ball to its pocket, 0 … π/2
     */
    private function __construct(public float $way, public float $angle) {}

    /** Of a route's own stop; null where nothing comes next, or the cue ball hardly moves. */
    public static function of(Rack $rack, Route $route): ?self
    {
        if (null === $route->next || !$rack->layout->has($route->next->ball)) {
            return null;
        }
        $result = $rack->simulator()->play($rack->layout, $route->shot);
        $end = $result->final->has(BallId::CUE) ? $result->final->ball(BallId::CUE) : null;
        $from = null === $end ? null : self::start($result->paths[BallId::CUE] ?? [], $end);
        if (null === $end || null === $from) {
            return null;
        }
        $ball = $rack->layout->ball($route->next->ball);
        $mouth = $rack->simulator()->geometry->pocket($route->next->pocket)->mouthMiddle();
        $off = abs(Angle::wrap($from->angleTo($end) - $ball->angleTo($mouth)));

        return new self($from->distanceTo($end), min($off, M_PI - $off));
    }

    /** Whether it comes along the line. */
    public function isAlong(): bool
    {
        return $this->angle <= self::ALONG;
    }

    /** Whether it crosses the line. */
    public function isAcross(): bool
    {
        return $this->angle >= self::ACROSS;
    }

    /** Whether it may pass for one that comes along the line. */
    public function isNearlyAlong(): bool
    {
        return $this->angle <= self::NEARLY;
    }

    /**
     * Where the last straight stretch begins; null for one that is too short.
     *
     * @param list<PathPiece> $path
     */
    private static function start(array $path, Point $end): ?Point
    {
        $from = null;
        $way = 0.0;
        foreach (array_reverse($path) as $piece) {
            $longer = $way + $piece->length();
            if ($piece->start->distanceTo($end) < self::STRAIGHT * $longer) {
                break;
            }
            [$from, $way] = [$piece->start, $longer];
        }

        return $way < self::SHORTEST ? null : $from;
    }
}
