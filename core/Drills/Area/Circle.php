<?php

declare(strict_types=1);

namespace ZigLane\Core\Drills\Area;

/**
 * A ring on the cloth.
 */
final readonly class Circle implements Area
{
    private const POINTS = 48;

    /** @param float $radius diamonds */
    public function __construct(public float $along, public float $across, public float $radius) {}

    public function contains(float $along, float $across): bool
    {
        return hypot($along - $this->along, $across - $this->across) <= $this->radius;
    }

    public function scaled(float $times): self
    {
        return new self($this->along, $this->across, $times * $this->radius);
    }

    public function outline(): array
    {
        $points = [];
        for ($k = 0; $k < self::POINTS; ++$k) {
            $turn = 2 * M_PI * $k / self::POINTS;
            $points[] = [$this->along + $this->radius * cos($turn), $this->across + $this->radius * sin($turn)];
        }

        return $points;
    }
}
