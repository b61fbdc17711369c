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

    /** What the test is called on the page. */
    public function title(): string
    {
        return match ($this) {
            self::Roll => 'A roll to rest',
            self::Stun => 'Where a stunned ball starts to roll',
            self::Rebound => 'Off a rail at a marked angle',
            self::Lengths => 'A hard straight shot',
            self::Deflection => 'Deflection of the cue',
        };
    }

    /** What the test tells about the table, in a few words. */
    public function tells(): string
    {
        return match ($this) {
            self::Roll => 'how fast the cloth is',
            self::Stun => 'how long balls slide: draw, stun and drag',
            self::Rebound => 'grip of the cushions: how long or short a ball comes off',
            self::Lengths => 'bounce of the cushions',
            self::Deflection => 'squirt: how far side pushes the cue ball off line',
        };
    }

    /**
     * @return list<string> what to do, step by step
     */
    public function steps(): array
    {
        return match ($this) {
            self::Roll => [
                'Roll a ball softly along the table, past a mark, so that it stops without touching anything.',
                'Time it from the mark until it lies still; measure the way it went in that time. A metre or more.',
            ],
            self::Stun => [
                'Freeze a striped ball to the cue ball in line with the length of the table, and hit it full, level and at the centre.',
                'Film it from the side, slowed down: mark where the stripe begins to roll, and where the ball stops. It may touch no rail.',
            ],
            self::Rebound => [
                'Mark a place two diamonds off a long rail, and where on the rail the ball shall strike. Best once at 30°, once at 45°, once at 60°.',
                'Roll the ball there at lag speed, well before the rail without side. Mark where it is two diamonds off the rail again.',
            ],
            self::Lengths => [
                'From the head string, hit the cue ball hard and straight to the foot rail, a little above centre, phone recording.',
                'Read the time between the first two cushions from the recording; count the lengths until it stops, in quarters.',
            ],
            self::Deflection => [
                'Freeze a ball to the far rail. Aim full at it from a metre and a half, then move the cue parallel to the side, level, and hit firmly. Chalk shows how far off centre.',
                'Mark how far beside the full hit the cue ball arrives.',
            ],
        };
    }

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
