<?php

declare(strict_types=1);

namespace ZigLane\Tests\Core\Rack;

use Opis\JsonSchema\Validator;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use ZigLane\Core\Equipment\Rail;
use ZigLane\Core\Equipment\Table;
use ZigLane\Core\Equipment\TableSize;
use ZigLane\Core\Games\GameName;
use ZigLane\Core\InvalidInput;
use ZigLane\Core\Rack\Files\JsonText;
use ZigLane\Core\Rack\Files\RackFile;
use ZigLane\Core\Rack\Rack;
use ZigLane\Core\Rack\Spread;
use ZigLane\Core\Shots\Intent;
use ZigLane\Core\Shots\ShotKind;

final class RackFileTest extends TestCase
{
    private const FULL = '{
      "format": "zig-lane/rack", "version": 1, "name": "Tuesday rack 3", "game": "nine-ball",
      "table": { "size": "8ft", "cornerMouthMm": 107.95, "sideMouthMm": 127.0, "room": "back",
                 "cloth": { "slide": 0.22, "roll": 0.009, "spinDecay": 11.0, "age": {} } },
      "balls": { "cue": [2.0, 2.0], "1": [5.5, 1.25], "9": [6.0, 3.1] },
      "ballInHand": true, "group": null, "player": { "level": "advanced", "hand": "left" }, "opponent": { "level": "league", "club": "x" }, "pushOut": "offered", "fouls": { "opponent": 2, "since": 4 }, "tags": [],
      "legs": [
        { "ball": "1", "pocket": "foot-left", "pocketOffset": 0.25, "speed": { "lengths": 2.0 }, "tip": { "side": -0.25, "height": 0.3 }, "elevationDeg": 4, "why": "for the 9" },
        { "aimDeg": 12.5, "speed": { "mps": 2.1 } },
        { "ball": "9", "pocket": "side-left", "speed": { "mps": 3 }, "kind": "bank", "rails": ["right", "head"] },
        { "ball": "9", "pocket": "side-right", "speed": { "mps": 2 }, "kind": "combination", "first": "1" },
        { "aimDeg": 200, "speed": { "mps": 1 }, "kind": "safety" }
      ]
    }';

    private static function read(string $json): Rack
    {
        return RackFile::read(JsonText::decode($json));
    }

    private static function json(Rack $rack): string
    {
        return json_encode(RackFile::write($rack), \JSON_THROW_ON_ERROR | \JSON_PRESERVE_ZERO_FRACTION);
    }

    private static function fits(string $json): bool
    {
        $schema = (string) file_get_contents(\dirname(__DIR__, 3) . '/docs/rack-file.schema.json');

        return (new Validator())->validate(json_decode($json), $schema)->isValid();
    }

    /**
     * Every kind of shot is written as it was read, and fits the schema.
     *
     * @return iterable<string, array{string, Intent}>
     */
    public static function kinds(): iterable
    {
        yield 'rail first' => ['"kind": "rail-first", "rails": ["right"]', new Intent(ShotKind::RailFirst, [Rail::Right])];
        yield 'kiss' => ['"kind": "kiss", "off": "1"', new Intent(ShotKind::Kiss, other: 1)];
        yield 'jump' => ['"kind": "jump", "over": "1"', new Intent(ShotKind::Jump, other: 1)];
        yield 'swerve' => ['"kind": "swerve", "round": "1"', new Intent(ShotKind::Swerve, other: 1)];
        yield 'three balls' => ['"kind": "combination", "first": "1", "then": "2"', new Intent(ShotKind::Combination, other: 1, then: 2)];
    }

    #[DataProvider('kinds')]
    public function testKindsOfShots(string $json, Intent $intent): void
    {
        $text = '{ "format": "zig-lane/rack", "version": 1, "game": "nine-ball", "jumps": true, "called": true,
            "balls": { "cue": [2.0, 2.0], "1": [5.5, 1.25], "2": [5.0, 3.0], "9": [6.0, 3.1] },
            "legs": [{ "ball": "9", "pocket": "side-right", "speed": { "mps": 2 }, "elevationDeg": 40, ' . $json . ' }] }';
        self::assertTrue(self::fits($text));
        $rack = self::read($text);
        self::assertTrue($rack->house->jumps);
        self::assertTrue($rack->rules()->isCalled());
        self::assertEquals($intent, $rack->legs[0]->intent);
        self::assertEquals($rack, self::read(self::json($rack)));
        self::assertTrue(self::fits(self::json($rack)));
        self::assertSame(40.0, $rack->legs[0]->elevationDeg);
    }

    public function testEverythingIsRead(): void
    {
        $rack = self::read(self::FULL);
        self::assertSame('Tuesday rack 3', $rack->name);
        self::assertSame(TableSize::EightFoot, $rack->table->size);
        self::assertEqualsWithDelta(0.10795, $rack->table->cornerMouth, 1e-12);
        self::assertSame([0.22, 0.009, 11.0], [$rack->table->cloth->slide, $rack->table->cloth->roll, $rack->table->cloth->spinDecay]);
        self::assertEqualsWithDelta(5.5 * 92 * 0.0254 / 8, $rack->layout->ball(1)->x, 1e-12);
        self::assertTrue($rack->ballInHand);
        self::assertSame('league', $rack->opponent?->level->value);
        self::assertSame('offered', $rack->pushOut->value);
        self::assertSame([0, 2], [$rack->fouls, $rack->othersFouls]);
        self::assertSame('advanced', $rack->player->level->value);
        self::assertSame([0.25, 2.0, -0.25, 4.0], [$rack->legs[0]->offset, $rack->legs[0]->speed->lengths, $rack->legs[0]->tip->side, $rack->legs[0]->elevationDeg]);
        self::assertSame([12.5, 2.1, null], [$rack->legs[1]->aimDeg, $rack->legs[1]->speed->mps, $rack->legs[1]->ball]);
    }

    public function testWrittenAndReadAgainItIsTheSame(): void
    {
        $rack = self::read(self::FULL);
        self::assertEquals($rack, self::read(self::json($rack)));
        self::assertSame(self::json($rack), self::json(self::read(self::json($rack))));
    }

    public function testUnknownKeysAreKept(): void
    {
        $json = self::json(self::read(self::FULL));
        foreach (['"tags":[]', '"since":4', '"room":"back"', '"age":{}', '"hand":"left"', '"why":"for the 9"'] as $kept) {
            self::assertStringContainsString($kept, $json);
        }
    }

    public function testMissingOptionalKeysTakeTheirDefaults(): void
    {
        $rack = self::read('{"format":"zig-lane/rack","version":1,"game":"ten-ball","balls":{"cue":[1,1]}}');
        self::assertEquals(new Table(), $rack->table);
        self::assertSame(['Untitled rack', GameName::TenBall, false, null, 'league', []], [$rack->name, $rack->game, $rack->ballInHand, $rack->group, $rack->player->level->value, $rack->legs]);
    }

    public function testABallWrittenAsFrozenIsFrozen(): void
    {
        $rack = self::read('{"format":"zig-lane/rack","version":1,"game":"nine-ball","balls":{"cue":[1,1],"1":[2,0.0866]}}');
        self::assertEqualsWithDelta(0.028575 * sqrt(1 - 0.27 ** 2), $rack->layout->ball(1)->y, 1e-9);
    }

    public function testTheKitchenIsWrittenAndRead(): void
    {
        $rack = self::read(str_replace('"ballInHand": true', '"ballInHand": "kitchen"', self::FULL));
        self::assertTrue($rack->ballInHand && $rack->kitchen);
        self::assertEquals($rack, self::read(self::json($rack)));
        self::assertFalse($rack->goneOn($rack->layout)->kitchen);
    }

    public function testFoulsInARowAreNotCountedInEightBall(): void
    {
        $this->expectExceptionMessage('fouls: in a row are not counted in this game');
        self::read('{"format":"zig-lane/rack","version":1,"game":"eight-ball","balls":{"cue":[1,1]},"fouls":{"player":1}}');
    }

    public function testOnlyNumberedBallsExist(): void
    {
        foreach (['0', '16', '01', '-1', 'Cue'] as $name) {
            try {
                self::read('{"format":"zig-lane/rack","version":1,"game":"eight-ball","balls":{"cue":[1,1],"' . $name . '":[2,2]}}');
                self::fail("ball $name was read");
            } catch (InvalidInput $e) {
                self::assertSame("balls.$name: there is no such ball (use cue, 1 … 15)", $e->getMessage());
            }
        }
    }

    public function testTheSchemaTakesWhatIsWritten(): void
    {
        self::assertTrue(self::fits(self::FULL));
        self::assertTrue(self::fits(self::json(self::read(self::FULL))));
        foreach (GameName::cases() as $game) {
            self::assertTrue(self::fits(self::json(Spread::of($game, 'New'))));
        }
        foreach (glob(\dirname(__DIR__, 3) . '/demo/*.rack.json') ?: [] as $file) {
            self::assertTrue(self::fits((string) file_get_contents($file)), $file);
        }
    }

    /**
     * What both the reader and the schema refuse, and the path the reader names.
     *
     * @return iterable<string, array{string, string, string}> what to replace, by what, path
     */
    public static function faults(): iterable
    {
        yield 'format' => ['"zig-lane/rack"', '"zig"', 'format'];
        yield 'version' => ['"version": 1', '"version": 1.5', 'version'];
        yield 'name' => ['"Tuesday rack 3"', '7', 'name'];
        yield 'long name' => ['Tuesday rack 3', str_repeat('y', 121), 'name'];
        yield 'game' => ['nine-ball', 'ninepins', 'game'];
        yield 'table' => ['"8ft"', '"10ft"', 'table.size'];
        yield 'mouth' => ['107.95', '10', 'table.cornerMouthMm'];
        yield 'cloth' => ['0.22', '"new"', 'table.cloth.slide'];
        yield 'roll' => ['0.009', '0.9', 'table.cloth.roll'];
        yield 'balls' => ['{ "cue": [2.0, 2.0], "1": [5.5, 1.25], "9": [6.0, 3.1] }', '[]', 'balls'];
        yield 'a ball that is none' => ['"9": [6.0', '"white": [6.0', 'balls.white'];
        yield 'three numbers' => ['[5.5, 1.25]', '[5.5, 1.25, 0]', 'balls.1'];
        yield 'along' => ['[5.5, 1.25]', '[8.5, 1.25]', 'balls.1[0]'];
        yield 'across' => ['[5.5, 1.25]', '[5.5, -0.25]', 'balls.1[1]'];
        yield 'in hand' => ['"ballInHand": true', '"ballInHand": 1', 'ballInHand'];
        yield 'in hand where' => ['"ballInHand": true', '"ballInHand": "behind"', 'ballInHand'];
        yield 'three fouls' => ['"opponent": 2', '"opponent": 3', 'fouls.opponent'];
        yield 'half a foul' => ['"opponent": 2', '"player": 0.5', 'fouls.player'];
        yield 'group' => ['"group": null', '"group": "lows"', 'group'];
        yield 'level' => ['"advanced"', '"wizard"', 'player.level'];
        yield 'legs' => ['"legs": [', '"legs": 3, "was": [', 'legs'];
        yield 'no speed' => ['"speed": { "lengths": 2.0 }, ', '', 'legs.0.speed.mps'];
        yield 'two speeds' => ['{ "lengths": 2.0 }', '{ "lengths": 2.0, "mps": 1 }', 'legs.0.speed'];
        yield 'leg ball' => ['"ball": "1"', '"ball": "99"', 'legs.0.ball'];
        yield 'leg pocket' => ['"foot-left"', '"foot"', 'legs.0.pocket'];
        yield 'offset' => ['"pocketOffset": 0.25', '"pocketOffset": 1.25', 'legs.0.pocketOffset'];
        yield 'tip' => ['"side": -0.25', '"side": -3', 'legs.0.tip.side'];
        yield 'elevation' => ['"elevationDeg": 4', '"elevationDeg": 90', 'legs.0.elevationDeg'];
        yield 'kind' => ['"bank"', '"leap"', 'legs.2.kind'];
        yield 'rail' => ['"head"]', '"roof"]', 'legs.2.rails[1]'];
        yield 'same rail twice' => ['"right", "head"', '"right", "right"', 'legs.2.rails[1]'];
        yield 'no rails' => ['"rails": ["right", "head"]', '"rails": []', 'legs.2.rails'];
        yield 'rails of a combination' => ['"first": "1"', '"first": "1", "rails": ["left"]', 'legs.3.rails'];
        yield 'hit first' => ['"first": "1"', '"first": "99"', 'legs.3.first'];
        $jump = '{ "ball": "9", "pocket": "side-right", "speed": { "mps": 2 }, "elevationDeg": 40, "kind": ';
        yield 'a jump over nothing' => ['{ "aimDeg": 12.5, "speed": { "mps": 2.1 } }', $jump . '"jump" }', 'legs.1.over'];
        yield 'a jump over no ball' => ['{ "aimDeg": 12.5, "speed": { "mps": 2.1 } }', $jump . '"jump", "over": "cue" }', 'legs.1.over'];
        yield 'a third ball in a carom' => ['{ "aimDeg": 12.5, "speed": { "mps": 2.1 } }', $jump . '"carom", "first": "1", "then": "2" }', 'legs.1.then'];
        yield 'a cue upright' => ['{ "aimDeg": 12.5, "speed": { "mps": 2.1 } }', '{ "aimDeg": 12.5, "speed": { "mps": 2.1 }, "elevationDeg": 90 }', 'legs.1.elevationDeg'];
        yield 'jumps as a word' => ['"tags": []', '"jumps": "yes"', 'jumps'];
        yield 'nobody hit first' => ['"kind": "combination", "first": "1"', '"kind": "combination"', 'legs.3.first'];
        yield 'aim' => ['12.5', '1e9', 'legs.1.aimDeg'];
        yield 'fast' => ['"mps": 2.1', '"mps": 12.1', 'legs.1.speed.mps'];
        yield 'two aims' => ['"aimDeg": 12.5', '"aimDeg": 12.5, "ball": "1"', 'legs.1'];
    }

    #[DataProvider('faults')]
    public function testAFaultIsNamedWithItsPath(string $was, string $is, string $path): void
    {
        $json = str_replace($was, $is, self::FULL);
        self::assertNotSame(self::FULL, $json);
        self::assertFalse(self::fits($json), 'the schema refuses it too');
        try {
            self::read($json);
            self::fail('It was read.');
        } catch (InvalidInput $e) {
            self::assertSame($path, $e->path, $e->getMessage());
            self::assertStringStartsWith("$path: ", $e->getMessage());
        }
    }

    public function testJsonIsReadAsPhpReadsIt(): void
    {
        foreach (['[]', '{}', '"a\u00e9\n"', ' [1, -2.5e3, true, null, {"a": [{}]}] ', '0', '"\\\\\\""'] as $json) {
            self::assertEquals(json_decode($json), JsonText::decode($json), $json);
        }
        foreach (['', '[1,]', '{"a":1,}', "{'a':1}", '01', '[1 2]', 'tru', '"open', '[1]]', '{"a" 1}', "\"\t\"", 'NaN', '-'] as $json) {
            try {
                JsonText::decode($json);
                self::fail("$json was read");
            } catch (InvalidInput $e) {
                self::assertMatchesRegularExpression('/^not valid JSON at line 1, column \d+: /', $e->getMessage());
                json_decode($json);
                self::assertNotSame(\JSON_ERROR_NONE, json_last_error());
            }
        }
    }
}
