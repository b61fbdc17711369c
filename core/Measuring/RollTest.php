<?php

declare(strict_types=1);

namespace ZigLane\Core\Measuring;

use ZigLane\Core\InvalidInput;
use ZigLane\Core\Settings\Defaults;

/**
 * A rolling ball is timed from a mark until it lies still, touching nothing: D = ½ μr g T².
 */
final readonly class RollTest implements Measurement
{
    /**
     * @param float $distance from the mark to where it stopped, m
     * @param float $time     s
     */
    public function __construct(private string $name, public float $distance, public float $time) {}

    public function name(): string
    {
        return $this->name;
    }

    public function about(): array
    {
        return [Parameter::Roll];
    }

    public function readings(): array
    {
        return [$this->distance / $this->time ** 2];
    }

    public function errors(): array
    {
        // The time counts twice.
        return [sqrt(5.0) * Defaults::READING_ERROR];
    }

    public function predicted(Guess $guess, float $speed): array
    {
        return [0.5 * $guess->table->cloth->roll * Defaults::GRAVITY];
    }

    public function speed(): ?array
    {
        return null;
    }

    public function assertPossible(): void
    {
        $roll = 2 * $this->distance / (Defaults::GRAVITY * $this->time ** 2);
        [$low, $high] = Parameter::Roll->range();
        if ($roll > $high) {
            throw new InvalidInput($this->name, \sprintf(
                'a ball that comes to rest after %.2f m in %.1f s would be slowed %.0f times as much as on the house cloth; a time that is too short, a ball still sliding at the mark, or one that touched a rail does this',
                $this->distance,
                $this->time,
                $roll / Parameter::Roll->house(),
            ));
        }
        if ($roll < $low) {
            throw new InvalidInput($this->name, \sprintf(
                '%.2f m in %.1f s would be a cloth almost without resistance (%.4f; the least is about %.3f); is the distance too short, or the table off level?',
                $this->distance,
                $this->time,
                $roll,
                $low,
            ));
        }
    }
}
