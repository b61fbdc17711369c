<?php

declare(strict_types=1);

namespace ZigLane\Tests\Core\Rack;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use ZigLane\Core\Equipment\BallId;
use ZigLane\Core\Equipment\Pocket;
use ZigLane\Core\Equipment\Table;
use ZigLane\Core\Equipment\TableGeometry;
use ZigLane\Core\Equipment\TableSize;
use ZigLane\Core\Games\GameName;
use ZigLane\Core\Geometry\Point;
use ZigLane\Core\InvalidInput;
use ZigLane\Core\Physics\Layout;
use ZigLane\Core\Player\Level;
use ZigLane\Core\Player\Player;
use ZigLane\Core\Rack\BreakStroke;
use ZigLane\Core\Rack\Files\JsonText;
use ZigLane\Core\Rack\Files\RackFile;
use ZigLane\Core\Rack\Files\ShotSpecFile;
use ZigLane\Core\Rack\FreshRack;
use ZigLane\Core\Rack\Placement;
use ZigLane\Core\Rack\Rack;
use ZigLane\Tests\Survey;

/**
 * Wherever a ball can come to rest it can be stored, read, typed and dragged to: the jaws of a pocket lie partly beyond
 * the nose line, outside 0–8 and 0–4.
 */
final class RestingPlacesTest extends TestCase
{
    /** Breaks that leave a ball in the jaws, beyond the nose line. */
    private const IN_THE_JAWS = [
        ['nine-ball', 533, 8.5, 0.6], ['nine-ball', 698, 8.5, 0.6], ['nine-ball', 717, 8.5, 0.6], ['nine-ball', 2, 4.0, -1.5],
        ['eight-ball', 77, 8.5, 0.6], ['eight-ball', 456, 8.5, 0.6], ['eight-ball', 468, 8.5, 0.6],
        ['ten-ball', 268, 8.5, 0.6], ['ten-ball', 322, 8.5, 0.6], ['straight-pool', 501, 8.5, 0.6],
    ];

    public static function again(Rack $rack): Rack
    {
        return RackFile::read(JsonText::decode(json_encode(RackFile::write($rack), \JSON_THROW_ON_ERROR | \JSON_PRESERVE_ZERO_FRACTION)));
    }

    /** How far the balls of two racks lie apart at the most, m; INF when they are not the same balls. */
    public static function apart(Rack $a, Rack $b): float
    {
        if (array_keys($a->layout->balls) !== array_keys($b->layout->balls)) {
            return \INF;
        }

        return max(0.0, ...array_map(static fn(Point $p, Point $q): float => $p->distanceTo($q), $a->layout->balls, $b->layout->balls));
    }

    public function testBreaksThatLeaveABallInTheJawsAreReadAgain(): void
    {
        // The errors under which these were found.
        $player = new Player(Level::League, deg2rad(0.1215), 0.10, 0.0005);
        $beyond = 0;
        foreach (self::IN_THE_JAWS as [$game, $number, $speed, $aside]) {
            $rack = FreshRack::broken(GameName::from($game), $number, $player, stroke: new BreakStroke($speed, $aside))->rack;
            foreach ($rack->layout->balls as $place) {
                [$x, $y] = $rack->table->size->diamondsOf($place);
                $beyond += $x < 0 || $x > 8 || $y < 0 || $y > 4 ? 1 : 0;
            }
            self::assertLessThan(1e-8, self::apart($rack, self::again($rack)), "$game $number");
        }
        self::assertGreaterThanOrEqual(\count(self::IN_THE_JAWS), $beyond, 'each of them has a ball beyond the nose line');
    }

    /** Two hundred breaks of each game (60 in the suite); tools/breaks.php makes thousands. */
    public function testBreaksOfEachGameAreReadAgain(): void
    {
        foreach (GameName::cases() as $game) {
            for ($number = 1; $number <= Survey::size(200, 60); ++$number) {
                $rack = FreshRack::broken($game, $number, Player::of(Level::League))->rack;
                self::assertLessThan(1e-8, self::apart($rack, self::again($rack)), "{$game->value} $number");
            }
        }
    }

    /**
     * @return iterable<string, array{TableSize, float, float}>
     */
    public static function tables(): iterable
    {
        foreach (TableSize::cases() as $size) {
            foreach ([[0.1016, 0.1016], [0.1143, 0.127], [0.14, 0.15]] as [$corner, $side]) {
                yield \sprintf('%s, mouths of %.1f and %.1f cm', $size->value, 100 * $corner, 100 * $side) => [$size, $corner, $side];
            }
        }
    }

    /** Every place on and about a table, on a grid: the file, typing and dragging take just those where a ball can rest. */
    #[DataProvider('tables')]
    public function testAPlaceIsLegalEverywhereOrNowhere(TableSize $size, float $corner, float $side): void
    {
        $table = new Table($size, $corner, $side);
        $geometry = new TableGeometry($table);
        $placement = new Placement($table);
        $cue = $size->pointAt(4, 2);
        $inJaws = 0;
        /** @var array{'$defs': array{place: array{prefixItems: list<array{minimum: float, maximum: float}>}}} $schema */
        $schema = json_decode((string) file_get_contents(\dirname(__DIR__, 3) . '/docs/rack-file.schema.json'), true, flags: \JSON_THROW_ON_ERROR);
        [$along, $across] = $schema['$defs']['place']['prefixItems'];
        foreach ($this->places() as [$x, $y]) {
            $place = $size->pointAt($x, $y);
            if ($place->distanceTo($cue) < 0.06) {
                continue;
            }
            $rests = $geometry->canRest($place);
            $inJaws += $rests && ($x < 0 || $x > 8 || $y < 0 || $y > 4) ? 1 : 0;
            $asked = [
                'the rack' => static fn(): Rack => new Rack('r', GameName::NineBall, $table, new Layout([BallId::CUE => $cue, 1 => $place])),
                'the file' => static fn(): Rack => RackFile::read((object) [
                    'format' => 'zig-lane/rack', 'version' => 1, 'game' => 'nine-ball',
                    'table' => (object) ['size' => $size->value, 'cornerMouthMm' => 1000 * $corner, 'sideMouthMm' => 1000 * $side],
                    'balls' => (object) ['cue' => [4, 2], '1' => [$x, $y]],
                ]),
                'typing' => static fn(): Rack => $placement->place(new Rack('r', GameName::NineBall, $table, new Layout([BallId::CUE => $cue])), 1, $placement->typed("$x, $y")),
            ];
            foreach ($asked as $who => $make) {
                try {
                    $taken = $make();
                    self::assertTrue($rests, "$who took $x, $y");
                    self::assertLessThan(1e-9, $place->distanceTo($taken->layout->ball(1)), "$who moved the ball at $x, $y");
                } catch (InvalidInput $e) {
                    self::assertFalse($rests, "$who refused $x, $y: {$e->getMessage()}");
                }
            }
            if ($rests) {
                self::assertTrue($x >= $along['minimum'] && $x <= $along['maximum'] && $y >= $across['minimum'] && $y <= $across['maximum'], "the schema refuses $x, $y");
                $nudged = $placement->nudged($place, 0.0, 0.0);
                self::assertLessThan(1e-9, $place->distanceTo($nudged), "a nudge by nothing moved the ball at $x, $y");
            }
        }
        self::assertGreaterThan(0, $inJaws, 'the grid reaches into the jaws');
    }

    /**
     * @return \Generator<int, array{float, float}> diamonds; finer about the pockets
     */
    private function places(): \Generator
    {
        for ($x = -0.5; $x <= 8.5; $x += 0.25) {
            for ($y = -0.5; $y <= 4.5; $y += 0.25) {
                yield [$x, $y];
            }
        }
        foreach ([[0, 0], [4, 0], [8, 0], [0, 4], [4, 4], [8, 4]] as [$px, $py]) {
            for ($x = -0.3; $x <= 0.3; $x += 0.025) {
                for ($y = -0.3; $y <= 0.3; $y += 0.025) {
                    yield [round($px + $x, 3), round($py + $y, 3)];
                }
            }
        }
    }

    /** Past the tip of a jaw the rail begins: a tenth of a millimetre into its rubber is no place, the same place before the tip is. */
    public function testBesideARailIsNoMouth(): void
    {
        $geometry = new TableGeometry(new Table());
        $tip = $geometry->pocket(Pocket::FootRight)->tipB;
        $x = $geometry->length - $geometry->reach + 1e-4;
        self::assertFalse($geometry->canRest(new Point($x, $tip->y - 0.0037)));
        self::assertTrue($geometry->canRest(new Point($geometry->length - $geometry->reach, $tip->y - 0.0037)));
        self::assertTrue($geometry->canRest(new Point($x, $tip->y + 0.0037)));
        $side = $geometry->pocket(Pocket::SideLeft);
        self::assertFalse($geometry->canRest(new Point(min($side->tipA->x, $side->tipB->x) - 0.0037, $geometry->reach - 1e-4)));
    }

    public function testARackCannotHoldWhatItsFileCannot(): void
    {
        $good = self::again(FreshRack::broken(GameName::NineBall, 1, Player::of(Level::League))->rack);
        $leg = ShotSpecFile::read((object) ['ball' => '1', 'pocket' => 'foot-left', 'speed' => (object) ['lengths' => 1]]);
        $nine = $good->layout;
        $bad = [
            'name: must have 1 to 120 characters' => static fn(): Rack => $good->named(' '),
            'name: must have 1 to 120 characters ' => static fn(): Rack => $good->named(str_repeat('ä', 121)),
            'legs: has 31 shots (limit 30)' => static fn(): Rack => $good->withLegs(array_fill(0, 31, $leg)),
            'balls.cue: is missing: every rack needs a cue ball' => static fn(): Rack => $good->withLayout($nine->without(BallId::CUE)),
            'balls.12: is not a ball of nine-ball' => static fn(): Rack => $good->withBall(12, new Point(1.0, 0.5)),
            'balls.3: overlaps the cue ball by 57.1 mm' => static fn(): Rack => $good->withBall(3, $nine->ball(BallId::CUE)),
            'balls.3: lies in the head left pocket' => static fn(): Rack => $good->withBall(3, new Point(-0.03, -0.03)),
        ];
        foreach ($bad as $words => $make) {
            try {
                $make();
                self::fail("It should have been refused: $words");
            } catch (InvalidInput $e) {
                self::assertSame(trim($words), $e->getMessage());
            }
        }
        self::assertCount(30, $good->withLegs(array_fill(0, 30, $leg))->legs);
    }

    public function testNumbersThatOverflowAreRefusedByName(): void
    {
        $text = '{"format":"zig-lane/rack","version":1,"game":"nine-ball","balls":{"cue":[2,2]},"coach":{"marks":[1,2,1e400]}}';
        $this->expectExceptionMessage('coach.marks[2]: 1e400 is too large a number, at line 1, column');
        JsonText::decode($text);
    }

    public function testTheHardestBreakIsNotHarderThanAPersonCanSwing(): void
    {
        for ($number = 1; $number <= 20; ++$number) {
            self::assertNotEmpty(FreshRack::broken(GameName::NineBall, $number, Player::of(Level::League), stroke: new BreakStroke(12.0))->rack->layout->balls);
        }
    }
}
