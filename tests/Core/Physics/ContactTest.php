<?php

declare(strict_types=1);

namespace ZigLane\Tests\Core\Physics;

use PHPUnit\Framework\TestCase;
use ZigLane\Core\Physics\Internal\Contact;

/**
 * The contact finder against plain sampling of the same motion.
 */
final class ContactTest extends TestCase
{
    public function testDiscsMeetWhenAFineSamplingSaysSo(): void
    {
        mt_srand(21);
        $random = static fn(float $a): float => $a * mt_rand(-10000, 10000) / 10000;
        $d = 0.05715;
        $met = 0;
        for ($i = 0; $i < 400; ++$i) {
            [$px, $py] = [$random(0.5), $random(0.5)];
            if (hypot($px, $py) < $d) {
                continue;
            }
            [$vx, $vy, $ax, $ay] = [-2 * $px + $random(0.3), -2 * $py + $random(0.3), $random(3), $random(3)];
            $found = Contact::ofDiscs($px, $py, $vx, $vy, $ax, $ay, $d, 1.0);
            $sampled = INF;
            $closest = INF;
            for ($n = 0; $n <= 20000; ++$n) {
                $t = $n / 20000;
                $r = hypot($px + ($vx + $ax * $t / 2) * $t, $py + ($vy + $ay * $t / 2) * $t);
                $closest = min($closest, $r);
                if ($r <= $d) {
                    $sampled = $t;
                    break;
                }
            }
            if (INF === $sampled) {
                // A graze between two samples may be a contact; a miss by a tenth of a millimetre may not.
                self::assertTrue(INF === $found || $closest < $d + 1e-4);
            } else {
                ++$met;
                self::assertEqualsWithDelta($sampled, $found, 6e-5);
            }
        }
        self::assertGreaterThan(60, $met);
    }

    public function testAContactBehindTheHorizonIsNotLookedFor(): void
    {
        self::assertSame(INF, Contact::ofDiscs(1.0, 0.0, -1.0, 0.0, 0.0, 0.0, 0.5, 0.49));
        self::assertEqualsWithDelta(0.5, Contact::ofDiscs(1.0, 0.0, -1.0, 0.0, 0.0, 0.0, 0.5, 0.51), 1e-12);
    }

    public function testTouchingThingsThatPartMeetAgainOnlyIfTheyTurnRound(): void
    {
        self::assertSame(INF, Contact::ofGap(0.0, 1.0, 0.0));
        self::assertEqualsWithDelta(2.0, Contact::ofGap(0.0, 1.0, -1.0), 1e-12);
        self::assertSame(0.0, Contact::ofGap(0.0, -1.0, 0.0));
        self::assertSame(0.0, Contact::ofGap(0.0, 0.0, -1.0), 'pressed together');
    }

    public function testAGapThatClosesAndOpensAgainBeforeContactIsNone(): void
    {
        self::assertSame(INF, Contact::ofGap(1.0, -1.0, 0.6));
        self::assertEqualsWithDelta(1.0, Contact::ofGap(0.5, -1.0, 1.0), 1e-9);
    }
}
