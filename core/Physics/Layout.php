<?php

declare(strict_types=1);

namespace ZigLane\Core\Physics;

use ZigLane\Core\Equipment\BallId;
use ZigLane\Core\Geometry\Point;
use ZigLane\Core\InvalidInput;

/**
 * Which balls lie where. Immutable; balls in ascending number.
 */
final readonly class Layout
{
    /** @var array<int, Point> by ball number */
    public array $balls;

    /**
     * @param array<int, Point> $balls by ball number
     */
    public function __construct(array $balls)
    {
        ksort($balls);
        $this->balls = $balls;
    }

    /** @throws \OutOfBoundsException when that ball is not on the table */
    public function ball(int $ball): Point
    {
        return $this->balls[$ball] ?? throw new \OutOfBoundsException('No ' . BallId::spoken($ball) . ' on the table.');
    }

    /** Whether a ball is on the table. */
    public function has(int $ball): bool
    {
        return isset($this->balls[$ball]);
    }

    /**
     * @return list<int> object balls on the table, ascending
     */
    public function objectBalls(): array
    {
        return array_values(array_filter(array_keys($this->balls), static fn(int $b): bool => BallId::CUE !== $b));
    }

    /**
     * @param array<int> $balls
     *
     * @return list<int> the nearest to a place (m) first
     */
    public function nearestTo(Point $place, array $balls): array
    {
        usort($balls, fn(int $a, int $b): int => $place->distanceTo($this->ball($a)) <=> $place->distanceTo($this->ball($b)));

        return $balls;
    }

    /** The same with a ball put at a place (m). */
    public function with(int $ball, Point $place): self
    {
        return new self([$ball => $place] + $this->balls);
    }

    /** The same without a ball. */
    public function without(int $ball): self
    {
        $balls = $this->balls;
        unset($balls[$ball]);

        return new self($balls);
    }

    /**
     * @param float $diameter m
     *
     * @throws InvalidInput when two balls lie in one another by more than a micrometre
     */
    public function assertApart(float $diameter): void
    {
        $ids = array_keys($this->balls);
        foreach ($ids as $n => $a) {
            foreach (\array_slice($ids, $n + 1) as $b) {
                $gap = $this->balls[$a]->distanceTo($this->balls[$b]) - $diameter;
                if ($gap < -1e-6) {
                    throw new InvalidInput('balls.' . BallId::name($b), \sprintf(
                        'overlaps the %s by %.1f mm',
                        BallId::spoken($a),
                        -$gap * 1000,
                    ));
                }
            }
        }
    }
}
