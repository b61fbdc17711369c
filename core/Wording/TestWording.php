<?php

declare(strict_types=1);

namespace ZigLane\Core\Wording;

use ZigLane\Core\Measuring\TestKind;

/**
 * The tests at a table: what they are called, what they tell, and what to do.
 */
final class TestWording
{
    private function __construct() {}

    /** What the test is called on the page. */
    public static function title(TestKind $kind): string
    {
        return match ($kind) {
            TestKind::Roll => 'A roll to rest',
            TestKind::Stun => 'Where a stunned ball starts to roll',
            TestKind::Rebound => 'Off a rail at a marked angle',
            TestKind::Lengths => 'A hard straight shot',
            TestKind::Deflection => 'Deflection of the cue',
        };
    }

    /** What the test tells about the table, in a few words. */
    public static function tells(TestKind $kind): string
    {
        return match ($kind) {
            TestKind::Roll => 'how fast the cloth is',
            TestKind::Stun => 'how long balls slide: draw, stun and drag',
            TestKind::Rebound => 'grip of the cushions: how long or short a ball comes off',
            TestKind::Lengths => 'bounce of the cushions',
            TestKind::Deflection => 'squirt: how far side pushes the cue ball off line',
        };
    }

    /**
     * @return list<string> what to do, step by step
     */
    public static function steps(TestKind $kind): array
    {
        return match ($kind) {
            TestKind::Roll => [
                'Roll a ball softly along the table, past a mark, so that it stops without touching anything.',
                'Time it from the mark until it lies still; measure the way it went in that time. A metre or more.',
            ],
            TestKind::Stun => [
                'Freeze a striped ball to the cue ball in line with the length of the table, and hit it full, level and at the centre.',
                'Film it from the side, slowed down: mark where the stripe begins to roll, and where the ball stops. It may touch no rail.',
            ],
            TestKind::Rebound => [
                'Mark a place two diamonds off a long rail, and where on the rail the ball shall strike. Best once at 30°, once at 45°, once at 60°.',
                'Roll the ball there at lag speed, well before the rail without side. Mark where it is two diamonds off the rail again.',
            ],
            TestKind::Lengths => [
                'From the head string, hit the cue ball hard and straight to the foot rail, a little above centre, phone recording.',
                'Read the time between the first two cushions from the recording; count the lengths until it stops, in quarters.',
            ],
            TestKind::Deflection => [
                'Freeze a ball to the far rail. Aim full at it from a metre and a half, then move the cue parallel to the side, level, and hit firmly. Chalk shows how far off centre.',
                'Mark how far beside the full hit the cue ball arrives.',
            ],
        };
    }
}
