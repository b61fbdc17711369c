<?php

declare(strict_types=1);

namespace ZigLane\Core\Choice;

use ZigLane\Core\Aiming\Pot;
use ZigLane\Core\Geometry\Point;
use ZigLane\Core\Routes\PositionEvaluator;

/**
 * Judges where the cue ball stops by how near that is to a spot: for the stroke that goes there.
 *
 * @internal
 */
final readonly class SpotEvaluator implements PositionEvaluator
{
    /** Standard deviation of the bell by which a place falls off with its distance, m (our own choice). */
    private const NEAR = 0.2;

    /** Value from which a place counts as there: 18 cm off. */
    private const THERE = 0.66;

    public function __construct(private PositionEvaluator $evaluator, private Point $spot) {}

    public function valueAt(float $x, float $y): float
    {
        return exp(-0.5 * (hypot($x - $this->spot->x, $y - $this->spot->y) / self::NEAR) ** 2);
    }

    public function chanceAt(float $x, float $y): float
    {
        return $this->valueAt($x, $y);
    }

    public function level(float $leaves = 1.0): float
    {
        return self::THERE;
    }

    public function next(float $x, float $y): ?Pot
    {
        return $this->evaluator->next($x, $y);
    }

    public function disturbed(array $moved, float $x, float $y): float
    {
        return 0.0;
    }

    public function lookOn(): void {}
}
