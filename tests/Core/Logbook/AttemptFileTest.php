<?php

declare(strict_types=1);

namespace ZigLane\Tests\Core\Logbook;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;
use ZigLane\Core\InvalidInput;
use ZigLane\Core\Logbook\Attempt;
use ZigLane\Core\Logbook\AttemptFile;
use ZigLane\Core\Logbook\Miss;

final class AttemptFileTest extends TestCase
{
    private const LINE = '{"at":"2026-11-25T19:30:00Z","rack":{"format":"zig-lane/rack","version":1,"game":"nine-ball","balls":{"cue":[2,2],"1":[5.5,1.25],"5":[3,3],"9":[6,3.1]}},"meant":{"ball":"1","pocket":"foot-left","speed":{"lengths":2}},"result":{"made":false,"cue":[4.1,0.5],"moved":{"1":[7.6,0.4],"5":null},"missed":"rattled","felt":"good"},"mood":7}';

    public function testALineIsRead(): void
    {
        $attempt = self::one(self::LINE);
        self::assertSame('2026-11-25 19:30:00', $attempt->at->format('Y-m-d H:i:s'));
        self::assertSame([false, Miss::Rattled, 1], [$attempt->result->made, $attempt->result->missed, $attempt->meant->ball]);
        self::assertSame([1, 9], $attempt->result->after($attempt->rack->layout)->objectBalls());
        self::assertEqualsWithDelta(4.1, $attempt->rack->table->size->diamondsOf($attempt->result->cue ?? self::fail('no cue ball'))[0], 1e-9);
        self::assertSame([['felt' => 'good'], ["mood" => 7]], [$attempt->result->unknown, $attempt->unknown]);
    }

    #[TestWith(['"mood":7'])]
    #[TestWith(['"plan":{"pot":0.5,"zone":[[[4,1],[6,1],[6,3]]]}'])]
    #[TestWith(['"plan":{}'])]
    #[TestWith(['"more":{}'])]
    public function testWrittenAndReadAgainItIsTheSame(string $more): void
    {
        $line = str_replace('"mood":7', $more, self::LINE);
        $text = AttemptFile::line(self::one($line));
        self::assertStringNotContainsString("\n", $text);
        self::assertEquals(self::one($line), self::one($text));
        self::assertSame($text, AttemptFile::line(self::one($text)));
    }

    public function testAPlanThatWasWrittenAsAnEmptyListIsNone(): void
    {
        self::assertNull(self::one(str_replace('"mood":7', '"plan":[]', self::LINE))->forecast);
    }

    public function testLinesAreReadOneByOne(): void
    {
        $text = self::LINE . "\r\n\n" . str_replace('"made":false', '"made":true', self::LINE) . "\n";
        self::assertSame([1 => false, 3 => true], array_map(static fn(Attempt $one): bool => $one->result->made, iterator_to_array(AttemptFile::read($text))));
    }

    /**
     * @return iterable<string, array{string, string, string}>
     */
    public static function faults(): iterable
    {
        yield 'time' => ['19:30:00Z', 'half past seven', 'line 1: at: must be a time such as'];
        yield 'a null byte' => ['2026-11-25T19:30:00Z', '2026-11-25T19:30:00Z\u0000', 'line 1: at: must be a time such as'];
        yield 'no such day' => ['2026-11-25', '2026-02-30', 'line 1: at: must be a time such as'];
        yield 'rack' => ['[5.5,1.25]', '[5.5,4.25]', 'line 1: rack.balls.1[1]: '];
        yield 'what was meant' => ['"foot-left"', '"foot"', 'line 1: meant.pocket: '];
        yield 'a ball that is off' => ['"ball":"1"', '"ball":"2"', 'line 1: meant.ball: the 2 is not on the table'];
        yield 'made' => ['"made":false,', '', 'line 1: result.made: is missing'];
        yield 'made of words' => ['"made":false', '"made":"no"', 'line 1: result.made: must be true or false'];
        yield 'where it stopped' => ['"cue":[4.1,0.5]', '"cue":[4.1]', 'line 1: result.cue: must be a pair of diamonds'];
        yield 'nowhere' => ['[7.6,0.4]', '[7.6,1e400]', 'line 1: '];
        yield 'far away' => ['[7.6,0.4]', '[7.6,9]', 'line 1: result.moved.1[1]: 9 is outside -0.2–4.2 diamonds'];
        yield 'a ball that was not there' => ['"5":null', '"6":null', 'line 1: result.moved.6: is no object ball on the table'];
        yield 'how' => ['"rattled"', '"unlucky"', 'line 1: result.missed: "unlucky" is not one of thick, thin, rattled, kissed'];
        yield 'no JSON' => ['{"at"', '{at', 'line 1: '];
    }

    #[DataProvider('faults')]
    public function testAFaultIsNamedWithItsLineAndPath(string $was, string $is, string $message): void
    {
        $line = str_replace($was, $is, self::LINE);
        self::assertNotSame(self::LINE, $line);
        $this->expectException(InvalidInput::class);
        $this->expectExceptionMessage($message);
        self::one($line);
    }

    private static function one(string $text): Attempt
    {
        foreach (AttemptFile::read($text) as $attempt) {
            return $attempt;
        }
        self::fail('nothing was read');
    }
}
