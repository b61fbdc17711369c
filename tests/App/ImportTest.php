<?php

declare(strict_types=1);

namespace ZigLane\Tests\App;

use PHPUnit\Framework\Attributes\DataProvider;
use Symfony\Component\HttpFoundation\File\UploadedFile;

final class ImportTest extends AppTestCase
{
    private function import(string $text): string
    {
        $file = tempnam(sys_get_temp_dir(), 'rack');
        self::assertIsString($file);
        file_put_contents($file, $text);
        $this->browser->request('POST', '/racks/import', [], ['file' => new UploadedFile($file, 'my <rack>.json', 'application/json', test: true)]);
        unlink($file);

        return self::plain((string) $this->browser->getResponse()->getContent());
    }

    public function testWhatIsExportedCanBeImported(): void
    {
        $id = $this->stored(['coach' => 'kept', 'ballInHand' => true]);
        $this->edit($id, ['op' => 'add-leg']);
        $this->browser->request('GET', "/racks/$id/rack.json");
        $text = (string) $this->browser->getResponse()->getContent();
        self::assertStringContainsString('attachment; filename=test-rack.rack.json', (string) $this->browser->getResponse()->headers->get('Content-Disposition'));
        $this->import($text);
        self::assertSame(303, $this->code());
        self::assertEquals($this->open($id)->rack, $this->store()->page()[0]->rack);
        self::assertNotSame($id, $this->store()->page()[0]->record->id());
    }

    /**
     * @return iterable<string, array{string, string}>
     */
    public static function broken(): iterable
    {
        $rack = static fn(string $balls, string $more = ''): string => '{"format":"zig-lane/rack","version":1,"game":"nine-ball","balls":{' . $balls . '}' . $more . '}';
        yield 'not JSON' => ["{\n  \"format\": \"zig-lane/rack\",\n  oops\n}", 'Not valid JSON at line 3, column 3: a key in double quotes was expected, but found "oops'];
        yield 'cut short' => ['{"format":', 'Not valid JSON at line 1, column 11: a value was expected, but the file ends here'];
        yield 'empty' => ['', 'Not valid JSON at line 1, column 1'];
        yield 'a picture' => ["\x89PNG\r\n\x1a\n", 'The file is not UTF-8 text'];
        yield 'too large' => [$rack('"cue":[1,1]', ',"note":"' . str_repeat('x', 70000) . '"'), 'bytes (limit 65536)'];
        yield 'deep' => [str_repeat('[', 200), 'nested deeper than 32'];
        yield 'another format' => ['{"format":"other","version":1}', 'Format: "other" is not "zig-lane/rack"'];
        yield 'a later version' => ['{"format":"zig-lane/rack","version":2}', 'Version: 2 is not known (this program reads version 1)'];
        yield 'unknown game' => ['{"format":"zig-lane/rack","version":1,"game":"snooker","balls":{}}', 'Game: "snooker" is not one of eight-ball, nine-ball, ten-ball, straight-pool'];
        yield 'outside' => [$rack('"cue":[1,1],"7":[2,4.3]'), 'Balls.7[1]: 4.3 is outside the table (0–4)'];
        yield 'overlap' => [$rack('"cue":[1,1],"7":[1.1,1]'), 'Balls.7: overlaps the cue ball by 25.4 mm'];
        yield 'a ball twice' => [$rack('"cue":[1,1],"7":[2,2],"7":[3,3]'), 'Balls.7: is given twice, again at line 1'];
        yield 'half a place' => [$rack('"cue":[1]'), 'Balls.cue: must be two numbers'];
        yield 'words for numbers' => [$rack('"cue":["a",1]'), 'Balls.cue[0]: must be a number'];
        yield 'endless number' => [$rack('"cue":[1e999,1]'), 'Balls.cue[0]: 1e999 is too large a number'];
        yield 'no cue ball' => [$rack('"1":[1,1]'), 'Balls.cue: is missing: every rack needs a cue ball'];
        yield 'unknown ball' => [$rack('"cue":[1,1],"17":[2,2]'), 'Balls.17: there is no such ball'];
        yield 'a ball of another game' => [$rack('"cue":[1,1],"12":[2,2]'), 'Balls.12: is not a ball of nine-ball'];
        yield 'tight pockets' => [$rack('"cue":[1,1]', ',"table":{"cornerMouthMm":60}'), 'Table.cornerMouthMm: 60 is outside 95–140 mm'];
        yield 'unknown pocket' => [$rack('"cue":[1,1],"1":[2,2]', ',"legs":[{"ball":"1","pocket":"attic","speed":{"mps":1}}]'), 'Legs.0.pocket: "attic" is not one of'];
        yield 'a miscue' => [$rack('"cue":[1,1],"1":[2,2]', ',"legs":[{"ball":"1","pocket":"head-left","speed":{"mps":1},"tip":{"side":0.6}}]'), 'Legs.0.tip: 0.60 of the radius from the centre is a miscue (limit 0.50)'];
        yield 'faster than a person' => [$rack('"cue":[1,1],"1":[2,2]', ',"legs":[{"ball":"1","pocket":"head-left","speed":{"mps":13}}]'), 'Legs.0.speed.mps: 13 m/s is faster than a person can swing a cue (limit 12 m/s, a hard break)'];
        yield 'legs that are none' => [$rack('"cue":[1,1]', ',"legs":7'), 'Legs: must be a list of shots'];
        yield 'true for false' => [$rack('"cue":[1,1]', ',"ballInHand":"yes"'), 'BallInHand: must be true, false or "kitchen"'];
    }

    #[DataProvider('broken')]
    public function testABrokenFileIsRefusedWithThePlaceOfTheFault(string $text, string $words): void
    {
        $page = $this->import($text);
        self::assertSame(422, $this->code());
        self::assertStringContainsString('my <rack>.json was not imported.', $page);
        self::assertStringContainsString($words, $page);
        self::assertSame(0, $this->store()->counts()[0], 'nothing is stored');
    }

    public function testNoFileAtAll(): void
    {
        $this->browser->request('POST', '/racks/import');
        self::assertSame(422, $this->code());
        self::assertStringContainsString('No file was chosen.', self::plain((string) $this->browser->getResponse()->getContent()));
    }

    public function testAnUnknownRackIsNotFound(): void
    {
        foreach (['GET' => '/racks/999999', 'POST' => '/racks/999999/delete'] as $method => $path) {
            $this->browser->request($method, $path);
            self::assertSame(404, $this->code());
        }
        self::assertSame(0, $this->store()->counts()[0]);
    }
}
