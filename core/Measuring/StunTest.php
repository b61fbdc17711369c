<?php

declare(strict_types=1);

namespace ZigLane\Core\Measuring;

use ZigLane\Core\InvalidInput;
use ZigLane\Core\Settings\Defaults;

/**
 * A ball that is hit full, so that it starts without turning, slides 12 v²/(49 μs g) until it rolls, and rolls on for
 * 25 v²/(98 μr g): the share of the way that it slid tells μr/μs, whatever the speed was.
 */
final readonly class StunTest implements Measurement
{
    /**
     * @param float $slide from its place to where it began to roll, m
     * @param float $total from its place to where it stopped, m
     */
    public function __construct(private string $name, public float $slide, public float $total) {}

    public function name(): string
    {
        return $this->name;
    }

    public function about(): array
    {
        return [Parameter::Slide, Parameter::Roll];
    }

    public function readings(): array
    {
        return [$this->slide, $this->total];
    }

    public function errors(): array
    {
        return [Defaults::READING_ERROR, Defaults::READING_ERROR];
    }

    public function predicted(Guess $guess, float $speed): array
    {
        $cloth = $guess->table->cloth;
        $slide = 12 * $speed ** 2 / (49 * $cloth->slide * Defaults::GRAVITY);

        return [$slide, $slide + 25 * $speed ** 2 / (98 * $cloth->roll * Defaults::GRAVITY)];
    }

    public function speed(): array
    {
        return [sqrt($this->total * 98 * Defaults::CLOTH_ROLL * Defaults::GRAVITY / 25), 3.0];
    }

    public function assertPossible(): void
    {
        if ($this->slide >= $this->total) {
            throw new InvalidInput(
                $this->name,
                \sprintf(
                    'began to roll at %.2f m but stopped at %.2f m: a sliding ball always rolls before it stops',
                    $this->slide,
                    $this->total,
                ),
            );
        }
        // μs/μr by the closed form, against what the ranges of both allow.
        $ratio = 24 / 25 * ($this->total - $this->slide) / $this->slide;
        $least = Parameter::Slide->range()[0] / Parameter::Roll->range()[1];
        $most = Parameter::Slide->range()[1] / Parameter::Roll->range()[0];
        if ($ratio < $least || $ratio > $most) {
            throw new InvalidInput($this->name, \sprintf(
                'slid %.0f %% of its way; on any cloth that is between %.1f and %.0f %%. Was it hit quite full, and did it touch nothing before it stopped?',
                100 * $this->slide / $this->total,
                100 / (1 + $most / 0.96),
                100 / (1 + $least / 0.96),
            ));
        }
    }
}
