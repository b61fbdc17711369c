<?php

declare(strict_types=1);

namespace ZigLane\Core\Physics;

use ZigLane\Core\Geometry\Point;
use ZigLane\Core\Settings\Defaults;

/**
 * A stretch of a ball's path under one acceleration: a parabola while it slides, a straight line once it rolls or flies.
 */
final readonly class PathPiece
{
    /**
     * @param float $from    s after the stroke
     * @param float $to      s after the stroke
     * @param Point $start   m
     * @param float $vx      m/s at the start
     * @param float $vy      m/s at the start
     * @param float $ax      m/s²
     * @param float $ay      m/s²
     * @param bool  $rolling rolling without slipping
     * @param float|null $height m over the cloth at the start; null on the cloth
     * @param float $vz      upward at the start, m/s
     */
    public function __construct(
        public float $from,
        public float $to,
        public Point $start,
        public float $vx,
        public float $vy,
        public float $ax,
        public float $ay,
        public bool $rolling,
        public ?float $height = null,
        public float $vz = 0.0,
    ) {}

    /** Whether the ball is in the air. */
    public function inAir(): bool
    {
        return null !== $this->height;
    }

    /** Whether the ball flies over a place within it, nearer than so far in the plan (m). */
    public function fliesOver(Point $place, float $near): bool
    {
        return $this->inAir() && $place->distanceToLine($this->start, $this->end()) < $near;
    }

    /** Height over the cloth at a time within the piece, m. */
    public function heightAt(float $time): float
    {
        $t = $time - $this->from;

        return null === $this->height ? 0.0 : max(0.0, $this->height + ($this->vz - 0.5 * Defaults::GRAVITY * $t) * $t);
    }

    /** The greatest height over the cloth within it, m. */
    public function peak(): float
    {
        return $this->heightAt(min($this->to, $this->from + max(0.0, $this->vz / Defaults::GRAVITY)));
    }

    /** Place at a time within the piece (s after the stroke). */
    public function at(float $time): Point
    {
        $t = $time - $this->from;

        return new Point(
            $this->start->x + ($this->vx + 0.5 * $this->ax * $t) * $t,
            $this->start->y + ($this->vy + 0.5 * $this->ay * $t) * $t,
        );
    }

    /** Where the ball is at the end of the piece, m. */
    public function end(): Point
    {
        return $this->at($this->to);
    }

    /** Middle control point of the quadratic Bézier curve that is exactly this piece. */
    public function control(): Point
    {
        $half = ($this->to - $this->from) / 2;

        return new Point($this->start->x + $this->vx * $half, $this->start->y + $this->vy * $half);
    }

    /** m along the piece (Simpson's rule on the speed; exact on straight lines that do not turn back). */
    public function length(): float
    {
        $t = $this->to - $this->from;
        $speed = fn(float $s): float => hypot($this->vx + $this->ax * $s, $this->vy + $this->ay * $s);

        return $t / 6 * ($speed(0.0) + 4 * $speed($t / 2) + $speed($t));
    }
}
