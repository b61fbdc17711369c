<?php

declare(strict_types=1);

namespace ZigLane\Tests\Core\Routes;

use PHPUnit\Framework\TestCase;
use ZigLane\Core\Aiming\Pot;
use ZigLane\Core\Equipment\Pocket;
use ZigLane\Core\Line\LinePlayer;
use ZigLane\Core\Physics\Speed;
use ZigLane\Core\Physics\Stroke;
use ZigLane\Core\Physics\Tip;
use ZigLane\Core\Rack\ShotSpec;
use ZigLane\Core\Routes\RouteSearch;
use ZigLane\Core\Routes\SecondWay;
use ZigLane\Tests\Core\Reading\Read;

final class SecondWayTest extends TestCase
{
    public function testItIsOfAnotherFamilyAndNearlyAsGood(): void
    {
        $rack = Read::rack(['cue' => [4.4, 2.4], 1 => [6.4, 1.2], 9 => [4.0, 3.2]]);
        $pot = new Pot(1, Pocket::FootLeft);
        $spec = ShotSpec::toPocket($pot, Speed::tableLengths(1.6), new Tip(0.0, 0.2));
        $first = LinePlayer::for($rack)->leg(1, $spec, $rack->layout, $rack->rules())->shot;
        self::assertNotNull($first);
        $second = SecondWay::to($rack, $pot, $first);
        self::assertNotNull($second);
        $search = new RouteSearch($rack, $pot);
        $own = $search->route(new Stroke($first->speed, $first->tip->side, $first->tip->height), 0.0, 8);
        self::assertNotNull($own);
        self::assertNotSame($own->family->key(), $second->family->key());
        self::assertGreaterThan(0.5, $second->chances->value);
    }
}
