<?php

declare(strict_types=1);

namespace ZigLane\Tests\Core\Equipment;

use PHPUnit\Framework\TestCase;
use ZigLane\Core\Equipment\Pocket;
use ZigLane\Core\Equipment\Table;
use ZigLane\Core\Equipment\TableGeometry;
use ZigLane\Core\Equipment\TableSize;
use ZigLane\Core\Geometry\Point;

final class TableGeometryTest extends TestCase
{
    /** WPA equipment specification (from memory): 100×50, 92×46, 78×39 inches nose to nose. */
    public function testPlayingSurfaces(): void
    {
        self::assertEqualsWithDelta([2.54, 1.27], [TableSize::NineFoot->length(), TableSize::NineFoot->width()], 1e-12);
        self::assertEqualsWithDelta([92 * 0.0254, 46 * 0.0254], [TableSize::EightFoot->length(), TableSize::EightFoot->width()], 1e-12);
        self::assertEqualsWithDelta([78 * 0.0254, 39 * 0.0254], [TableSize::SevenFoot->length(), TableSize::SevenFoot->width()], 1e-12);
    }

    public function testMouthsAreMeasuredBetweenTheNoseTips(): void
    {
        $g = new TableGeometry(new Table(cornerMouth: 0.108, sideMouth: 0.13));
        foreach ($g->pockets as $shape) {
            self::assertEqualsWithDelta($shape->pocket->isSide() ? 0.13 : 0.108, $shape->tipA->distanceTo($shape->tipB), 1e-12);
        }
    }

    /** Interior angles through the rubber of 142° and 104° (WPA equipment specification, from memory). */
    public function testFacingAngles(): void
    {
        $g = new TableGeometry(new Table());
        foreach ($g->pockets as $shape) {
            // The cushion runs away from tip A toward the nearest tip of the neighbouring pocket on the same rail.
            $along = $shape->pocket->isSide() ? [-1.0, 0.0] : [$shape->tipA->x < 1.27 ? 1.0 : -1.0, 0.0];
            $angle = rad2deg(acos($along[0] * $shape->facingA[0] + $along[1] * $shape->facingA[1]));
            self::assertEqualsWithDelta($shape->pocket->isSide() ? 104.0 : 142.0, $angle, 1e-9, $shape->pocket->value);
        }
    }

    public function testNamesAreSeenFromTheHead(): void
    {
        $g = new TableGeometry(new Table());
        self::assertLessThan(0.1, $g->pocket(Pocket::HeadLeft)->mouthMiddle()->x);
        self::assertLessThan(0.1, $g->pocket(Pocket::HeadLeft)->mouthMiddle()->y);
        self::assertGreaterThan(2.4, $g->pocket(Pocket::FootLeft)->mouthMiddle()->x);
        self::assertLessThan(0.1, $g->pocket(Pocket::FootLeft)->mouthMiddle()->y);
        self::assertGreaterThan(1.2, $g->pocket(Pocket::SideRight)->mouthMiddle()->y);
        foreach (Pocket::cases() as $pocket) {
            self::assertSame($pocket, Pocket::at($pocket->index()));
        }
    }

    public function testWhereABallMayRest(): void
    {
        $g = new TableGeometry(new Table());
        self::assertTrue($g->canRest(new Point(1.0, $g->reach)));
        self::assertFalse($g->canRest(new Point(1.0, $g->reach - 0.001)));
        self::assertFalse($g->canRest(new Point(0.02, 0.5)));
        foreach ($g->pockets as $shape) {
            $edge = $shape->dropEdge();
            $back = static fn(float $d): Point => new Point($edge->x - $shape->axis[0] * $d, $edge->y - $shape->axis[1] * $d);
            self::assertTrue($g->canRest($back(0.001)), 'on the brink of ' . $shape->pocket->value);
            self::assertFalse($g->canRest($back(-0.001)), 'over the edge of ' . $shape->pocket->value);
            self::assertFalse($g->canRest($shape->tipA));
        }
    }
}
