<?php

declare(strict_types=1);

namespace ZigLane\Core\Drills\Area;

use ZigLane\Core\Geometry\Point;
use ZigLane\Core\Geometry\Region;

/**
 * An area with straight edges.
 */
final readonly class Polygon implements Area
{
    private Region $region;

    /** @param non-empty-list<array{float, float}> $corners closed without repeating the first */
    public function __construct(public array $corners)
    {
        $this->region = new Region([array_map(static fn(array $c): Point => new Point($c[0], $c[1]), $corners)]);
    }

    public function contains(float $along, float $across): bool
    {
        return $this->region->contains($along, $across);
    }

    public function scaled(float $times): self
    {
        $many = \count($this->corners);
        $x = array_sum(array_column($this->corners, 0)) / $many;
        $y = array_sum(array_column($this->corners, 1)) / $many;

        return new self(array_map(static fn(array $c): array => [$x + $times * ($c[0] - $x), $y + $times * ($c[1] - $y)], $this->corners));
    }

    public function outline(): array
    {
        return $this->corners;
    }
}
