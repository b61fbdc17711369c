<?php

declare(strict_types=1);

namespace ZigLane\Tests\Core\Drills;

use Opis\JsonSchema\Validator;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use ZigLane\Core\Drills\Drill;
use ZigLane\Core\Drills\Files\DrillFile;
use ZigLane\Core\InvalidInput;
use ZigLane\Core\Rack\Files\JsonText;

/**
 * Drills as files: what is written is read back, and what is wrong is named with its path.
 */
final class DrillFileTest extends TestCase
{
    /** @return iterable<string, array{string}> */
    public static function shipped(): iterable
    {
        foreach (glob(\dirname(__DIR__, 3) . '/drills/*.json') ?: [] as $file) {
            yield basename($file, '.json') => [$file];
        }
    }

    #[DataProvider('shipped')]
    public function testAShippedDrillIsWrittenAsItWasRead(string $file): void
    {
        $text = (string) file_get_contents($file);
        $drill = self::read($text);
        $written = json_encode(DrillFile::write($drill), \JSON_THROW_ON_ERROR | \JSON_PRESERVE_ZERO_FRACTION);
        self::assertEquals($drill, self::read($written));
        $schema = (string) file_get_contents(\dirname(__DIR__, 3) . '/docs/drill.schema.json');
        foreach ([$text, $written] as $document) {
            $checked = (new Validator())->validate(json_decode($document, false, 512, \JSON_THROW_ON_ERROR), $schema);
            self::assertTrue($checked->isValid(), (string) json_encode($checked->error()?->args()));
        }
        // Each has a par for every level, and a better player scores more, but for chance.
        self::assertCount(6, $drill->pars);
        self::assertGreaterThan($drill->pars['club-night'], $drill->pars['professional']);
        self::assertNotSame('', $drill->text->does);
        self::assertNotSame('', $drill->text->watch);
    }

    public function testAStationIsLikeTheOneBeforeInWhatItDoesNotSay(): void
    {
        $drill = self::read(self::document(['stations' => [self::station(), ['name' => 'the other'], ['balls' => ['cue' => [1, 1], '1' => [3, 3]]]]]));
        self::assertSame($drill->stations[0]->balls, $drill->stations[1]->balls);
        self::assertSame('the other', $drill->stations[1]->name);
        self::assertSame([3.0, 3.0], $drill->stations[2]->balls[1]);
        self::assertEquals($drill->stations[0]->rules, $drill->stations[2]->rules);
        self::assertSame($drill->stations[1], $drill->station(4));
    }

    public function testStepsMakeAreasWiderAndNarrower(): void
    {
        $drill = self::read(self::document(['steps' => [['name' => 'wide', 'areas' => 2.0], ['name' => 'as it is', 'areas' => 1.0]]]));
        self::assertSame(1, $drill->usualStep());
        $wide = json_encode(DrillFile::write($drill->at(0)), \JSON_THROW_ON_ERROR);
        self::assertStringContainsString('"radius":1', $wide);
        self::assertStringContainsString('"radius":0.5', (string) json_encode(DrillFile::write($drill->at(1))));
    }

    /** @return iterable<string, array{array<string, mixed>, string}> what is wrong, and what is said */
    public static function bad(): iterable
    {
        $rule = static fn(mixed $need): array => ['stations' => [['rules' => [['points' => 1, 'needs' => [$need]]]] + self::station()]];
        yield 'format' => [['format' => 'zig-lane/rack'], 'format: must be "zig-lane/drill"'];
        yield 'version' => [['version' => 2], 'version: must be 1'];
        yield 'name' => [['name' => ' '], 'name: must not be empty'];
        yield 'skill' => [['skill' => 'luck'], 'skill'];
        yield 'tries' => [['tries' => 0], 'tries'];
        yield 'no station' => [['stations' => []], 'stations: must be a list of 1 to 24 stations'];
        yield 'no rules' => [['stations' => [['balls' => ['cue' => [1, 1], '1' => [3, 3]]]]], 'stations[0].rules: is missing'];
        yield 'a ball in a rail' => [['stations' => [['balls' => ['cue' => [0, 0.01], '1' => [3, 3]]] + self::station()]], 'stations[0]'];
        yield 'no cue ball' => [['stations' => [['balls' => ['1' => [3, 3]]] + self::station()]], 'stations[0].balls.cue'];
        yield 'a strange ball' => [['stations' => [['balls' => ['cue' => [1, 1], '16' => [3, 3]]] + self::station()]], 'stations[0].balls.16: is no ball'];
        yield 'a place of text' => [['stations' => [['balls' => ['cue' => ['a', 1]]] + self::station()]], 'stations[0].balls.cue[0]'];
        yield 'a strange condition' => [$rule('luck'), 'stations[0].rules[0].needs[0]: must be "made"'];
        yield 'an area that is none' => [$rule(['stops' => 'cue', 'in' => ['square' => 1]]), 'stations[0].rules[0].needs[0].in: needs one of circle, band and polygon'];
        yield 'a band backward' => [$rule(['stops' => 'cue', 'in' => ['band' => ['along' => [5, 3]]]]), 'in.band.along: must go from the smaller'];
        yield 'a polygon of two' => [$rule(['stops' => 'cue', 'in' => ['polygon' => [[1, 1], [2, 2]]]]), 'in.polygon: must be a list of 3 to 40 corners'];
        yield 'two balls' => [$rule(['apart' => ['2'], 'far' => 1]), 'apart: must be two balls'];
        yield 'drawn from nothing' => [['stations' => [['drawn' => ['within' => new \stdClass()]] + self::station()]], 'stations[0].drawn.within: names no ball'];
        yield 'points' => [['stations' => [['rules' => [['points' => 0, 'needs' => ['made']]]] + self::station()]], 'stations[0].rules[0].points'];
    }

    /** @param array<string, mixed> $change */
    #[DataProvider('bad')]
    public function testWhatIsWrongIsNamedWithItsPath(array $change, string $says): void
    {
        try {
            self::read(self::document($change));
            self::fail('not refused');
        } catch (InvalidInput $e) {
            self::assertStringContainsString($says, $e->getMessage());
        }
    }

    public function testUnknownKeysAreKept(): void
    {
        self::assertSame(['colour' => 'green'], array_intersect_key(DrillFile::write(self::read(self::document(['colour' => 'green']))), ['colour' => 1]));
    }

    /** @return array<string, mixed> */
    private static function station(): array
    {
        return [
            'balls' => ['cue' => [2, 2], '1' => [6, 1]],
            'shot' => ['ball' => '1', 'pocket' => 'foot-left', 'speed' => ['lengths' => 2]],
            'rules' => [['points' => 1, 'says' => 'in the ring', 'needs' => ['made', ['stops' => 'cue', 'in' => ['circle' => ['at' => [5, 2], 'radius' => 0.5]]]]]],
        ];
    }

    /** @param array<string, mixed> $change */
    private static function document(array $change): string
    {
        return json_encode($change + [
            'format' => 'zig-lane/drill', 'version' => 1, 'name' => 'A drill', 'skill' => 'stop', 'stations' => [self::station()],
        ], \JSON_THROW_ON_ERROR);
    }

    private static function read(string $text): Drill
    {
        return DrillFile::read(JsonText::decode($text, DrillFile::LARGEST));
    }
}
