<?php

declare(strict_types=1);

namespace ZigLane\Tests\Core\Rack;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use ZigLane\Core\Equipment\Rail;
use ZigLane\Core\Equipment\Table;
use ZigLane\Core\Equipment\TableGeometry;
use ZigLane\Core\Equipment\TableSize;
use ZigLane\Core\Games\GameName;
use ZigLane\Core\Geometry\Point;
use ZigLane\Core\InvalidInput;
use ZigLane\Core\Physics\Layout;
use ZigLane\Core\Rack\Placement;
use ZigLane\Core\Rack\Playable;
use ZigLane\Core\Rack\Rack;
use ZigLane\Core\Rack\Spread;

final class PlacementTest extends TestCase
{
    /**
     * @return iterable<string, array{string, float, float}>
     */
    public static function typed(): iterable
    {
        yield 'plain' => ['2.5, 1', 2.5, 1.0];
        yield 'blank between' => ['2.5 1', 2.5, 1.0];
        yield 'semicolon' => [' 2.5;1 ', 2.5, 1.0];
        yield 'fractions' => ['2 1/2, 3/4', 2.5, 0.75];
        yield 'fraction signs' => ['2½ 1¼', 2.5, 1.25];
        yield 'bare point' => ['.5, 3', 0.5, 3.0];
    }

    #[DataProvider('typed')]
    public function testDiamondsAsPeopleTypeThem(string $text, float $x, float $y): void
    {
        self::assertEqualsWithDelta([$x, $y], TableSize::NineFoot->diamondsOf((new Placement(new Table()))->typed($text)), 1e-12);
    }

    public function testWhatIsNoPlaceIsRefused(): void
    {
        foreach (['', '2.5', 'a, b', '1,2,3', '9, 1', '1, -1', '1/0, 1', '2.5,,1'] as $text) {
            try {
                (new Placement(new Table()))->typed($text);
                self::fail("\"$text\" was taken for a place");
            } catch (InvalidInput $e) {
                self::assertNotSame('', $e->problem);
            }
        }
    }

    public function testFrozenMeansTheNoseTouchesTheBall(): void
    {
        $table = new Table();
        $g = new TableGeometry($table);
        $placement = new Placement($table);
        $p = new Point(1.0, 0.5);
        self::assertSame($g->reach, $placement->frozen($p, Rail::Head)->x);
        self::assertSame($g->length - $g->reach, $placement->frozen($p, Rail::Foot)->x);
        self::assertSame([1.0, $g->reach], [$placement->frozen($p, Rail::Left)->x, $placement->frozen($p, Rail::Left)->y]);
        self::assertSame($g->width - $g->reach, $placement->frozen($p, Rail::Right)->y);
    }

    public function testNearlyFrozenSnapsAndInTheMouthNothingDoes(): void
    {
        $table = new Table();
        $placement = new Placement($table);
        $g = new TableGeometry($table);
        $empty = new Layout([]);
        self::assertSame($g->reach, $placement->snapped($empty, 1, new Point(1.0, 0.031))->y);
        self::assertSame(0.06, $placement->snapped($empty, 1, new Point(1.0, 0.06))->y);
        $mouth = $g->pockets[0]->mouthMiddle();
        self::assertEquals($mouth, $placement->snapped($empty, 1, $mouth));
        self::assertTrue($g->canRest($mouth), 'a ball may hang in the jaws');
    }

    public function testEveryNewRackIsPlayableOnEveryTable(): void
    {
        foreach (GameName::cases() as $game) {
            foreach (TableSize::cases() as $size) {
                $rack = Spread::of($game, 'New', new Table($size));
                Playable::assert($rack->layout, $rack->table);
                self::assertSame($game->rules()->rack(), $rack->layout->objectBalls());
            }
        }
    }

    public function testABallKeepsItsDiamondsOnAnotherTable(): void
    {
        $rack = new Rack('R', GameName::NineBall, new Table(), new Layout([0 => TableSize::NineFoot->pointAt(2.0, 1.0)]));
        $moved = $rack->onTable(new Table(TableSize::SevenFoot));
        self::assertEqualsWithDelta([2.0, 1.0], TableSize::SevenFoot->diamondsOf($moved->layout->ball(0)), 1e-12);
        self::assertEqualsWithDelta(78 * 0.0254 / 4, $moved->layout->ball(0)->x, 1e-12);
    }
}
