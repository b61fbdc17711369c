<?php

declare(strict_types=1);

namespace ZigLane\Tests\App;

use Doctrine\DBAL\Connection;
use Symfony\Component\HttpFoundation\File\UploadedFile;
use ZigLane\App\Logbook\Logbook;
use ZigLane\App\Logbook\LogbookFilter;
use ZigLane\Core\Logbook\AttemptFile;

final class LogbookTest extends AppTestCase
{
    private const SESSION = ['key' => 'evening-2026-11-25', 'at' => '2026-11-25T19:00:00Z', 'kind' => 'practice', 'player' => 'Ada', 'place' => 'By the window'];

    /**
     * @param array<string, mixed> $change
     *
     * @return array<string, mixed>
     */
    private static function attempt(array $change = []): array
    {
        return $change + [
            'at' => '2026-11-25T19:30:00Z',
            'session' => self::SESSION,
            'rack' => ['format' => 'zig-lane/rack', 'version' => 1, 'game' => 'nine-ball', 'balls' => ['cue' => [2.0, 2.0], '1' => [5.5, 1.25], '9' => [6.0, 3.1]]],
            'meant' => ['ball' => '1', 'pocket' => 'foot-left', 'speed' => ['lengths' => 2.0]],
            'plan' => ['pot' => 0.8, 'position' => 0.7, 'rest' => [4.0, 1.0], 'headingDeg' => 90.0, 'zone' => [[[3, 0.5], [5, 0.5], [5, 1.5], [3, 1.5]]]],
            'result' => ['made' => true, 'cue' => [4.1, 1.2], 'moved' => ['1' => null]],
        ];
    }

    /**
     * @param list<array<string, mixed>> $entries
     *
     * @return array<string, mixed>
     */
    private function enter(array $entries): array
    {
        $this->browser->request('POST', '/logbook/entries', [], [], ['CONTENT_TYPE' => 'application/json'], json_encode(['entries' => $entries], \JSON_THROW_ON_ERROR | \JSON_PRESERVE_ZERO_FRACTION));
        $answer = json_decode((string) $this->browser->getResponse()->getContent(), true, 16, \JSON_THROW_ON_ERROR);
        self::assertIsArray($answer);

        /** @var array<string, mixed> */
        return $answer;
    }

    private static function row(string $key): int
    {
        $id = self::service(Connection::class)->fetchOne('SELECT id FROM attempt WHERE entry_key = ?', [$key]);

        return is_numeric($id) ? (int) $id : 0;
    }

    private static function many(): int
    {
        $many = self::service(Connection::class)->fetchOne('SELECT COUNT(*) FROM attempt WHERE deleted_at IS NULL');

        return is_numeric($many) ? (int) $many : -1;
    }

    private function page(string $path): string
    {
        $this->browser->request('GET', $path);

        return self::plain((string) $this->browser->getResponse()->getContent());
    }

    public function testWhatIsSentTwiceIsKeptOnce(): void
    {
        $entry = ['key' => 'shot-0001', 'edition' => 1, 'attempt' => self::attempt()];
        self::assertSame(['shot-0001'], $this->enter([$entry, $entry])['kept']);
        self::assertSame(['shot-0001'], $this->enter([$entry])['kept']);
        self::assertSame(1, self::many());
        // A correction takes its place; what comes late changes nothing.
        $this->enter([['edition' => 3, 'attempt' => self::attempt(['result' => ['made' => false, 'cue' => [4.1, 1.2], 'missed' => 'thin']])] + $entry]);
        $this->enter([['edition' => 2] + $entry]);
        self::assertStringContainsString('missed thin', $this->page('/logbook/shots'));
        // Taken back, and sent late once more.
        $this->enter([['edition' => 4, 'attempt' => null] + $entry]);
        self::assertSame(0, self::many());
        $this->enter([['edition' => 3] + $entry]);
        self::assertSame(0, self::many());
        $this->enter([['edition' => 5] + $entry]);
        self::assertSame(1, self::many());
    }

    public function testWhatIsWrongWithOneDoesNotHoldUpTheOthers(): void
    {
        $bad = self::attempt(['meant' => ['ball' => '2', 'pocket' => 'foot-left', 'speed' => ['lengths' => 2.0]]]);
        $answer = $this->enter([['key' => 'shot-0001', 'attempt' => self::attempt()], ['key' => 'shot-0002', 'attempt' => $bad]]);
        self::assertSame(['shot-0001'], $answer['kept']);
        self::assertSame(['shot-0002' => 'meant.ball: the 2 is not on the table'], $answer['refused']);
        $this->enter([]);
        self::assertSame(422, $this->code());
        $this->enter([['key' => 'x', 'attempt' => self::attempt()]]);
        self::assertSame(422, $this->code());
    }

    public function testSessionsAreListedWithTheirShots(): void
    {
        self::assertStringContainsString('Nothing has been shot yet', $this->page('/logbook'));
        self::assertStringContainsString('No shot has been noted yet', $this->page('/logbook/percentages'));
        $this->enter([['key' => 'shot-0001', 'attempt' => self::attempt()], ['key' => 'shot-0002', 'attempt' => self::attempt(['result' => ['made' => true, 'cue' => [7, 1.2]]])]]);
        $page = $this->page('/logbook');
        self::assertStringContainsString('2 shots in 1 session: 2 of 2 made, 1 of 2 made and in position', $page);
        self::assertStringContainsString('Ada, By the window', $page);
        $shots = $this->page('/logbook/shots?outcome=out');
        // 0.2 diamonds past 1 along its way, 3 diamonds toward the foot: to the left of who looks at the right rail.
        self::assertStringContainsString('6 cm long, 95 cm to the left', $shots);
        self::assertStringContainsString('80 %, 70 % with position', $shots);
        self::assertStringContainsString('No shot is like that', $this->page('/logbook/shots?spin=draw'));
    }

    public function testASessionIsChangedDeletedAndPutBack(): void
    {
        $this->enter([['key' => 'shot-0001', 'attempt' => self::attempt()]]);
        $id = self::service(Connection::class)->fetchOne('SELECT id FROM play_session');
        self::assertIsNumeric($id);
        $this->browser->request('POST', "/logbook/sessions/$id", ['kind' => 'match', 'player' => 'Ada', 'place' => '', 'opponent' => 'Bo', 'notes' => 'Slow cloth.']);
        self::assertSame(303, $this->code());
        self::assertStringContainsString('match against Bo', $this->page('/logbook'));
        $this->browser->request('POST', "/logbook/sessions/$id", ['kind' => 'quarrel', 'player' => str_repeat('A', 90)]);
        self::assertSame(422, $this->code());
        $this->browser->request('POST', "/logbook/sessions/$id/delete");
        $this->browser->followRedirect();
        self::assertStringContainsString('Put it back', (string) $this->browser->getResponse()->getContent());
        self::assertStringContainsString('No shot has been noted yet', $this->page('/logbook/shots'));
        $this->browser->request('POST', "/logbook/sessions/$id/restore");
        self::assertStringContainsString('1 shot:', $this->page('/logbook/shots'));
    }

    public function testAShotIsCorrectedDeletedAndPutBack(): void
    {
        $this->enter([['key' => 'shot-0001', 'attempt' => self::attempt()]]);
        $id = self::row('shot-0001');
        self::assertStringContainsString('Made, in position: 6 cm long, 3 cm to the left', $this->page("/logbook/shots/$id"));
        $this->browser->request('POST', "/logbook/shots/$id", ['made' => '0', 'missed' => 'thick', 'cue' => '4, 9', 'said' => '75', 'chalk' => '']);
        self::assertSame(422, $this->code());
        $page = (string) $this->browser->getResponse()->getContent();
        self::assertStringContainsString('"9" is no number from -0.2 to 4.2', self::plain($page));
        self::assertStringContainsString('value="4, 9"', $page);
        $this->browser->request('POST', "/logbook/shots/$id", ['made' => '0', 'missed' => 'thick', 'cue' => '4, 1', 'said' => '75', 'chalk' => '0.2, -0.1']);
        self::assertSame(303, $this->code());
        $page = $this->page("/logbook/shots/$id");
        self::assertStringContainsString('Missed thick: where it was meant', $page);
        self::assertStringContainsString('Said beforehand: 75 %', $page);
        self::assertStringContainsString('Said beforehand for 1 shot: 75 % on average. Done: 0.', $this->page('/logbook/percentages'));
        // What the device sends late does not undo a correction.
        $this->enter([['key' => 'shot-0001', 'edition' => 7, 'attempt' => self::attempt()]]);
        self::assertStringContainsString('Missed thick', $this->page("/logbook/shots/$id"));
        $this->browser->request('POST', "/logbook/shots/$id/delete");
        $this->browser->followRedirect();
        self::assertStringContainsString('Put it back', self::plain((string) $this->browser->getResponse()->getContent()));
        self::assertSame(0, self::many());
        $this->browser->request('POST', "/logbook/shots/$id/restore");
        self::assertSame(1, self::many());
    }

    public function testPercentagesAreToldApartAndComparedWithWhatWasPromised(): void
    {
        $entries = [];
        foreach (range(1, 40) as $n) {
            $missed = ['made' => false, 'cue' => [4.0, 1.0]];
            $entries[] = ['key' => "shot-00$n-x", 'attempt' => self::attempt(0 === $n % 2 ? [] : ['result' => $missed])];
        }
        $this->enter($entries);
        $page = $this->page('/logbook/percentages?by=cut');
        // 20 of 40 by Wilson: 35–65 %.
        self::assertStringContainsString('50 % (35–65)', $page);
        self::assertStringContainsString('80 % promised: fewer than expected', $page);
        foreach (['distance', 'speed', 'rails', 'spin', 'pocket', 'kind', 'nonsense'] as $by) {
            self::assertStringContainsString('All of them', $this->page("/logbook/percentages?by=$by"));
        }
        self::assertStringContainsString('2.0–2.5 lengths', $this->page('/logbook/percentages?by=speed'));
        self::assertStringContainsString('foot left', $this->page('/logbook/percentages?by=pocket'));
    }

    public function testTheLogbookGoesOutAndComesInTheSame(): void
    {
        $more = ['result' => ['made' => false, 'cue' => null, 'moved' => ['9' => [6.25, 3.0]], 'missed' => 'kissed'], 'said' => 0.5, 'mood' => 'fine'];
        $this->enter([['key' => 'shot-0001', 'attempt' => self::attempt()], ['key' => 'shot-0002', 'attempt' => self::attempt($more)]]);
        foreach (['jsonl', 'csv'] as $format) {
            $out = $this->exported($format);
            self::service(Connection::class)->executeStatement('DELETE FROM play_session');
            self::assertSame(0, self::many());
            self::assertStringContainsString('2 shots read, 2 of them new', $this->import($out, "log.$format"));
            self::assertSame($out, $this->exported($format));
            // The same once more brings nothing new.
            self::assertStringContainsString('2 shots read, 0 of them new', $this->import($out, "log.$format"));
        }
        $this->browser->request('POST', '/logbook/shots/' . self::row('shot-0001') . '/delete');
        self::assertStringContainsString('2 shots read, 1 of them new', $this->import($out, 'log.csv'));
    }

    public function testAFaultInAFileIsNamedAndNothingIsReadIn(): void
    {
        $line = json_encode(self::attempt(), \JSON_THROW_ON_ERROR);
        $page = $this->import("$line\n" . str_replace('"made":true', '"made":7', $line), 'log.jsonl');
        self::assertStringContainsString('Nothing was read in. Line 2: result.made: must be true or false', $page);
        self::assertSame(0, self::many());
        self::assertStringContainsString('There is no attempt in that file', $this->import(" \n", 'log.jsonl'));
        self::assertStringContainsString('The file is not text in UTF-8', $this->import("\xff\xfe{}", 'log.jsonl'));
        self::assertSame(422, $this->code());
    }

    public function testADamagedShotTakesNothingElseDown(): void
    {
        $this->enter([['key' => 'shot-0001', 'attempt' => self::attempt()], ['key' => 'shot-0002', 'attempt' => self::attempt()]]);
        $id = self::row('shot-0001');
        foreach (['{"at":', '', '[]', '{"key":"shot-0001","at":"2026-11-25T19:30:00Z","rack":{}}'] as $document) {
            self::service(Connection::class)->update('attempt', ['spin' => 'odd', 'kind' => 'odd', 'missed' => 'odd'], ['id' => $id]);
            self::service(Connection::class)->update('attempt_document', ['document' => $document], ['attempt_id' => $id]);
            foreach (['/logbook', '/logbook/shots', '/logbook/percentages?by=spin', '/logbook/percentages?by=kind', '/logbook/shots.csv', '/logbook/shots.jsonl'] as $path) {
                $this->browser->request('GET', $path);
                self::assertSame(200, $this->code(), $path);
            }
            self::assertStringContainsString('Damaged:', $this->page("/logbook/shots/$id"));
            $this->browser->request('POST', "/logbook/shots/$id", ['made' => '1']);
            self::assertSame(422, $this->code());
            $this->browser->request('GET', "/logbook/shots/$id/stored.txt");
            self::assertSame($document, (string) $this->browser->getResponse()->getContent());
        }
    }

    public function testAPlayerIsFittedToTheShotsAndPlannedWithWhenThatIsWanted(): void
    {
        self::assertStringContainsString('No shot of this player tells anything yet', $this->page('/logbook/player'));
        $entries = [];
        foreach ([[4.1, 1.2], [3.4, 0.8], [5.0, 1.4], [2.9, 2.0]] as $n => $cue) {
            $entries[] = ['key' => "shot-000$n", 'attempt' => self::attempt(['result' => ['made' => true, 'cue' => $cue, 'moved' => ['1' => null]]])];
        }
        $this->enter($entries);
        $page = $this->page('/logbook/player');
        self::assertMatchesRegularExpression('/Running out five balls of nine-ball, ball in hand\s*\d+ %\s*\d+ %/', self::plain($page));
        self::assertStringContainsString('What 4 shots of Ada tell', $page);
        // So few shots leave what was known before: the interval holds the level's own error.
        self::assertStringContainsString('more shots until it is known to ±15 %', $page);
        $this->browser->request('POST', '/logbook/player', ['player' => 'Ada', 'level' => 'league']);
        self::assertSame(303, $this->code());
        $this->browser->followRedirect();
        self::assertStringContainsString('Ada', (string) $this->browser->getResponse()->getContent());
        // Once more changes the same player.
        $this->browser->request('POST', '/logbook/player', ['player' => 'Ada', 'level' => 'advanced']);
        self::assertEquals(1, self::service(Connection::class)->fetchOne("SELECT COUNT(*) FROM profile WHERE kind = 'player'"));
        foreach (['?player=Nobody', '?player[]=x&level=king', '?level[]=x'] as $query) {
            $this->browser->request('GET', "/logbook/player$query");
            self::assertSame(200, $this->code(), $query);
        }
    }

    public function testWhatWasDeletedLongAgoIsRemoved(): void
    {
        $this->enter([['key' => 'shot-0001', 'attempt' => self::attempt()]]);
        self::service(Connection::class)->executeStatement("UPDATE attempt SET deleted_at = '2026-01-01'");
        self::assertSame(1, self::service(Logbook::class)->purge(new \DateTimeImmutable('2026-11-25')));
        self::assertSame([], iterator_to_array(self::service(Logbook::class)->lines(new LogbookFilter(deleted: true))));
    }

    private function exported(string $format): string
    {
        $this->browser->request('GET', "/logbook/shots.$format");
        $out = $this->browser->getInternalResponse()->getContent();
        if ('jsonl' === $format) {
            self::assertCount(2, iterator_to_array(AttemptFile::read($out)));
        }

        return $out;
    }

    private function import(string $text, string $name): string
    {
        $path = tempnam(sys_get_temp_dir(), 'log') ?: self::fail();
        file_put_contents($path, $text);
        $this->browser->request('POST', '/logbook/import', [], ['file' => new UploadedFile($path, $name, test: true)]);
        if ($this->browser->getResponse()->isRedirection()) {
            $this->browser->followRedirect();
        }
        @unlink($path);

        return self::plain((string) $this->browser->getResponse()->getContent());
    }
}
