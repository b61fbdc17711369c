<?php

declare(strict_types=1);

namespace ZigLane\Core\Logbook;

/**
 * What percentages are told apart by. Measures fall into bands; a band goes from its edge up to the next.
 */
enum Aspect: string
{
    case Cut = 'cut';
    case Distance = 'distance';
    case Speed = 'speed';
    case Rails = 'rails';
    case Spin = 'spin';
    case Pocket = 'pocket';
    case Kind = 'kind';

    /**
     * Edges between the bands of a measure, ascending: degrees, m, table lengths, cushions. [] for what is no measure. Our own choice.
     *
     * @return list<float>
     */
    public function edges(): array
    {
        return match ($this) {
            // A half-ball hit is 30°, a quarter-ball hit 49°.
            self::Cut => [10.0, 20.0, 30.0, 40.0, 50.0, 60.0],
            self::Distance => [0.4, 0.8, 1.2, 1.6, 2.0],
            self::Speed => [1.0, 1.5, 2.0, 2.5, 3.0],
            self::Rails => [1.0, 2.0, 3.0],
            self::Spin, self::Pocket, self::Kind => [],
        };
    }

    /** Whether it is a measure, in bands. */
    public function isMeasure(): bool
    {
        return [] !== $this->edges();
    }
}
