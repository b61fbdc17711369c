<?php

declare(strict_types=1);

namespace ZigLane\Tests\Core\Potting;

use PHPUnit\Framework\TestCase;
use ZigLane\Core\Equipment\BallId;
use ZigLane\Core\Physics\AimedStroke;
use ZigLane\Core\Physics\EventType;
use ZigLane\Core\Physics\Shot;
use ZigLane\Core\Physics\Stroke;
use ZigLane\Core\Physics\Tip;
use ZigLane\Core\Potting\Judgement;
use ZigLane\Core\Settings\Defaults;
use ZigLane\Tests\Core\Reading\Read;

final class JudgementTest extends TestCase
{
    /** What leaves the table drops in no pocket: its rails are counted all the same. */
    public function testABallThatLeavesTheTableAfterARail(): void
    {
        $rack = Read::rack(['cue' => [2.0, 2.0], 9 => [6.0, 2.3]]);
        $left = 0;
        foreach ([[0.534, 7.98, -0.28, 11], [4.715, 6.83, 0.14, 9], [1.695, 5.14, 0.24, 16]] as [$aim, $speed, $height, $degrees]) {
            $result = $rack->simulator()->play($rack->layout, new Shot($aim, $speed, new Tip(0.0, $height), deg2rad($degrees)));
            $rails = $result->eventsOf(BallId::CUE, EventType::BallCushion);
            $left += [] !== $rails && \in_array(BallId::CUE, $result->offTable, true) ? 1 : 0;
            $times = (new Judgement($rack->simulator(), $rack->layout))
                ->times(new AimedStroke($aim, new Stroke($speed, 0.0, $height, deg2rad($degrees))));
            $hits = $result->eventsOf(BallId::CUE, EventType::BallBall);
            $kicked = [] === $hits ? \count($rails) : \count(array_filter($rails, static fn($rail): bool => $rail->time < $hits[0]->time));
            self::assertEqualsWithDelta(1.0 + Defaults::ERROR_PER_RAIL_KICKED * min(3, $kicked), $times, 1e-9);
        }
        self::assertGreaterThan(0, $left, 'some of them leave the table after a rail');
    }
}
