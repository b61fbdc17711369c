<?php

declare(strict_types=1);

namespace ZigLane\Core\Measuring;

use ZigLane\Core\Equipment\TableSize;
use ZigLane\Core\Settings\Defaults;

/**
 * The tests that can be done at a table in ten minutes, and what is read in each.
 */
enum TestKind: string
{
    case Roll = 'roll';
    case Stun = 'stun';
    case Rebound = 'rebound';
    case Lengths = 'lengths';
    case Deflection = 'deflection';

    /** How often each may be done. */
    public const TRIES = 3;

    private const NTH = ['first', 'second', 'third'];

    /**
     * @return array<string, array{label: string, unit: string, low: float, high: float}> by field; "length" and "short"
     *                                                   are in m, "tip" in m off the centre, "time" in s, "count" plain
     */
    public function fields(): array
    {
        $field = static fn(string $label, string $unit, float $low, float $high): array => [
            'label' => $label,
            'unit' => $unit,
            'low' => $low,
            'high' => $high,
        ];

        return match ($this) {
            self::Roll => ['distance' => $field('Way', 'length', 0.2, 3.0), 'time' => $field('Time', 'time', 0.5, 30.0)],
            self::Stun => ['slide' => $field('Rolls from', 'length', 0.005, 2.0), 'total' => $field('Stops at', 'length', 0.1, 3.0)],
            self::Rebound => [
                'off' => $field('Mark off the rail', 'length', 0.1, 1.2),
                'in' => $field('Along, going in', 'length', 0.02, 2.5),
                'out' => $field('Along, coming out', 'length', 0.02, 3.0),
            ],
            self::Lengths => [
                'clicks' => $field('First to second cushion', 'time', 0.01, 20.0),
                'lengths' => $field('Lengths in all', 'count', 0.5, 40.0),
            ],
            self::Deflection => [
                'distance' => $field('Cue ball to contact', 'length', 0.3, 2.5),
                'side' => $field('Chalk off centre', 'tip', 0.002, 0.0143),
                'aside' => $field('Beside a full hit', 'short', 0.0005, 0.5),
            ],
        };
    }

    /** "the first roll". */
    public function name(int $try): string
    {
        $noun = match ($this) {
            self::Roll => 'roll',
            self::Stun => 'stunned ball',
            self::Rebound => 'rebound',
            self::Lengths => 'straight shot',
            self::Deflection => 'deflection',
        };

        return 'the ' . self::NTH[$try] . ' ' . $noun;
    }

    /**
     * @param array<string, float> $v by field, SI
     */
    public function measurement(int $try, array $v, TableSize $size): Measurement
    {
        $name = $this->name($try);

        return match ($this) {
            self::Roll => new RollTest($name, $v['distance'], $v['time']),
            self::Stun => new StunTest($name, $v['slide'], $v['total']),
            self::Rebound => new ReboundTest($name, $v['off'], $v['in'], $v['out']),
            self::Lengths => new LengthsTest($name, $size, $v['clicks'], $v['lengths']),
            self::Deflection => new DeflectionTest($name, $v['distance'], $v['side'] / Defaults::BALL_RADIUS, $v['aside']),
        };
    }
}
