<?php

declare(strict_types=1);

namespace ZigLane\Tests\Core\Logbook;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use ZigLane\Core\InvalidInput;
use ZigLane\Core\Logbook\Attempt;
use ZigLane\Core\Logbook\AttemptCsv;
use ZigLane\Core\Logbook\AttemptFile;

final class AttemptCsvTest extends TestCase
{
    public static function attempt(string $change = '{}'): Attempt
    {
        $data = (object) json_decode('{"key":"0f3c-aa11-b2","at":"2026-11-25T19:30:00Z","run":"rack-2-of-three","session":{"key":"s-2026-11-25","at":"2026-11-25T19:00:00Z","kind":"match","player":"Ada","opponent":"\"B\", a friend","notes":"line one\nline two"},"rack":{"format":"zig-lane/rack","version":1,"game":"nine-ball","balls":{"cue":[2,2],"1":[5.5,1.25],"5":[3,3],"9":[6,3.1]}},"meant":{"ball":"1","pocket":"foot-left","speed":{"lengths":2}},"said":0.8,"plan":{"pot":0.91,"position":0.7,"runOut":0.25,"rest":[4,1],"headingDeg":90,"rails":1,"zone":[[[3,0.5],[5,0.5],[5,1.5],[3,1.5]]]},"result":{"made":true,"cue":[4.1,0.5],"moved":{"1":null,"5":[3.25,3]},"missed":null,"chalk":{"side":0.1,"height":-0.25},"felt":"good"},"mood":{"today":7}}', false, 64, \JSON_THROW_ON_ERROR);
        foreach (get_object_vars((object) json_decode($change, false, 64, \JSON_THROW_ON_ERROR)) as $key => $value) {
            $data->{$key} = $value;
        }

        return AttemptFile::of($data);
    }

    /**
     * @return iterable<string, array{string}>
     */
    public static function attempts(): iterable
    {
        yield 'with everything' => ['{}'];
        yield 'with nothing more than it needs' => ['{"key":null,"session":null,"said":null,"plan":null,"mood":null,"result":{"made":false,"cue":null}}'];
        yield 'missed' => ['{"result":{"made":false,"cue":[0,0.25],"moved":{},"missed":"thin"}}'];
    }

    #[DataProvider('attempts')]
    public function testWrittenAndReadAgainItIsTheSame(string $change): void
    {
        $attempt = self::attempt($change);
        $text = AttemptCsv::head() . "\r\n" . AttemptCsv::line($attempt) . "\r\n";
        $again = iterator_to_array(AttemptCsv::read($text));
        self::assertSame([2], array_keys($again));
        self::assertSame(AttemptFile::line($attempt), AttemptFile::line($again[2]));
        $line = AttemptFile::line($attempt);
        foreach (AttemptFile::read($line) as $one) {
            self::assertSame($line, AttemptFile::line($one));
        }
    }

    public function testWhatIsChangedInAColumnCounts(): void
    {
        $line = AttemptCsv::line(self::attempt());
        $changed = str_replace(',yes,,4.1,0.5,0.8,', ',no,rattled,4.1,0.75,,', $line);
        self::assertNotSame($line, $changed);
        foreach (AttemptCsv::read(AttemptCsv::head() . "\n$changed") as $one) {
            self::assertSame([false, 'rattled', null], [$one->result->made, $one->result->missed?->value, $one->said]);
        }
    }

    public function testASpreadsheetMayLeaveColumnsOut(): void
    {
        $rack = '"{""format"":""zig-lane/rack"",""version"":1,""game"":""nine-ball"",""balls"":{""cue"":[2,2],""9"":[6,3.1]}}"';
        $meant = '"{""ball"":""9"",""pocket"":""foot-left"",""speed"":{""lengths"":2}}"';
        foreach (AttemptCsv::read("at,made,rack,meant\n2026-11-25T19:30:00Z,1,$rack,$meant\n") as $one) {
            self::assertTrue($one->result->made);
            self::assertNull($one->result->cue);
        }
    }

    /**
     * @return iterable<string, array{string, string, string}>
     */
    public static function faults(): iterable
    {
        yield 'no such column' => ['key,at,made', 'key,at,done', 'line 1: the column "made" is missing'];
        yield 'neither yes nor no' => [',yes,', ',perhaps,', 'line 2: made: must be yes or no'];
        yield 'no number' => [',4.1,0.5,', ',far,0.5,', 'line 2: result.cue[0]: must be a number'];
        yield 'half a place' => [',4.1,0.5,', ',4.1,,', 'line 2: result.cue[1]: must be a number'];
        yield 'broken JSON' => ['{""ball"":', '{""ball"",',  'line 2: meant: '];
        yield 'a cell too many' => [',yes,', ',yes,,', 'line 2: has 15 cells where the first line has 14'];
        yield 'a key that is none' => ['0f3c-aa11-b2', 'x y', 'line 2: key: must have 8 to 64 letters'];
        yield 'too sure' => [',0.8,', ',80,', 'line 2: said: 80 is outside 0–1'];
    }

    #[DataProvider('faults')]
    public function testAFaultIsNamedWithItsLine(string $there, string $wrong, string $says): void
    {
        $text = AttemptCsv::head() . "\n" . AttemptCsv::line(self::attempt());
        self::assertStringContainsString($there, $text);
        $this->expectException(InvalidInput::class);
        $this->expectExceptionMessageMatches('/^' . preg_quote($says, '/') . '/i');
        iterator_to_array(AttemptCsv::read(str_replace($there, $wrong, $text)));
    }
}
