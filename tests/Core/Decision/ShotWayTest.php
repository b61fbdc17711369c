<?php

declare(strict_types=1);

namespace ZigLane\Tests\Core\Decision;

use PHPUnit\Framework\TestCase;
use ZigLane\Core\Decision\ShotWay;
use ZigLane\Core\Equipment\Pocket;
use ZigLane\Core\Line\LinePlayer;
use ZigLane\Core\Physics\AimedStroke;
use ZigLane\Core\Physics\Shot;
use ZigLane\Core\Physics\Speed;
use ZigLane\Core\Physics\Stroke;
use ZigLane\Core\Physics\Tip;
use ZigLane\Core\Rack\ShotSpec;
use ZigLane\Core\Shots\Intent;
use ZigLane\Core\Shots\ShotKind;
use ZigLane\Tests\Core\Reading\Read;

/**
 * What kind of shot a stroke turns out to be.
 */
final class ShotWayTest extends TestCase
{
    public function testABallGoesOffAnotherInTheOpen(): void
    {
        $rack = Read::rack(['cue' => [6.0, 1.4], 5 => [7.2, 3.6], 9 => [6.9, 2.2]]);
        $intent = new Intent(ShotKind::Kiss, other: 5);
        $spec = new ShotSpec(null, 9, Pocket::FootRight, 0.0, Speed::metresPerSecond(2.0), new Tip(0.0, 0.0), 0.0, $intent);
        $result = LinePlayer::for($rack)->leg(1, $spec, $rack->layout, $rack->rules())->result ?? self::fail('It cannot be aimed.');
        self::assertSame(Pocket::FootRight, $result->pocketed[9] ?? null);
        self::assertSame(5, ShotWay::of($rack, $result, 9)->kissed);
    }

    /** One that hangs in the jaws is brushed by whatever goes in there. */
    public function testABallAtThePocketIsOnlyBrushed(): void
    {
        $rack = Read::rack(['cue' => [6.0, 2.2], 1 => [7.0, 3.1], 9 => [7.72, 3.88]]);
        $way = $rack->layout->ball(0)->angleTo($rack->layout->ball(1));
        $brushed = 0;
        for ($turn = -0.06; $turn < 0.06; $turn += 0.005) {
            $result = $rack->simulator()->play($rack->layout, Shot::of(new AimedStroke($way + $turn, new Stroke(2.0, 0.0, 0.0))));
            $meets = array_filter($result->events, static fn($event): bool => $event->concerns(1) && $event->concerns(9));
            if (Pocket::FootRight === ($result->pocketed[1] ?? null) && [] !== $meets) {
                ++$brushed;
                self::assertNull(ShotWay::of($rack, $result, 1)->kissed);
            }
        }
        self::assertGreaterThan(0, $brushed);
    }
}
