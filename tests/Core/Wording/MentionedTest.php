<?php

declare(strict_types=1);

namespace ZigLane\Tests\Core\Wording;

use PHPUnit\Framework\TestCase;
use ZigLane\Core\Aiming\Pot;
use ZigLane\Core\Equipment\Pocket;
use ZigLane\Core\Planning\Finding;
use ZigLane\Core\Routes\RouteChances;
use ZigLane\Core\Wording\Mentioned;

final class MentionedTest extends TestCase
{
    public function testAFindingNamesItsBalls(): void
    {
        self::assertSame([2, 8], Mentioned::balls(new Finding\KeyShot(2, 8, false)));
        self::assertSame([4, 7, 9], Mentioned::balls(new Finding\RunsInto([4, 7, 9])));
        self::assertSame([3, 4, 5], Mentioned::balls(new Finding\BreaksCluster([3, 4], 5)));
        self::assertSame([3], Mentioned::balls(new Finding\BreaksCluster([3], null)));
        self::assertSame([5], Mentioned::balls(new Finding\OtherShot(new Pot(5, Pocket::SideLeft), true, new RouteChances(0.8, 0.6, 0.4, 0.0, 0.0, 0.0, 0.0, 400), 0.02)));
        self::assertSame([], Mentioned::balls(new Finding\BetterSkill(Finding\Skill::Aim, 0.2, 0.05)));
        // The number of a shot is no ball.
        self::assertSame([7], Mentioned::balls(new Finding\Hinge(4, 7, 0.6)));
    }
}
