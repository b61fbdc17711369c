<?php

declare(strict_types=1);

namespace ZigLane\Tests\App;

use Doctrine\DBAL\Connection;
use Symfony\Component\HttpFoundation\File\UploadedFile;
use ZigLane\App\Drills\DrillShelf;
use ZigLane\App\Share\SharedDrills;
use ZigLane\Core\Drills\Files\DrillFile;
use ZigLane\Core\Rack\Files\JsonText;

/**
 * Drills: the list, one's own, and what was scored.
 */
final class DrillsTest extends AppTestCase
{
    /** @var array<string, mixed> */
    private const OWN = [
        'format' => 'zig-lane/drill', 'version' => 1, 'name' => 'Über die <Mitte>', 'skill' => 'stun', 'does' => 'Across the middle.', 'tries' => 3, 'pass' => 2,
        'stations' => [['balls' => ['cue' => [3, 1], '1' => [6, 1]], 'shot' => ['ball' => '1', 'pocket' => 'foot-left', 'speed' => ['lengths' => 1.8]], 'rules' => [['points' => 1, 'says' => 'made', 'needs' => ['made']]]]],
    ];

    public function testTheListShowsEveryShippedDrill(): void
    {
        $page = $this->page('/drills');
        $shelf = self::service(DrillShelf::class)->all();
        self::assertGreaterThanOrEqual(16, \count($shelf));
        foreach ($shelf as $slug => $drill) {
            self::assertStringContainsString($drill->name, $page);
            $one = $this->page("/drills/$slug");
            self::assertStringContainsString($drill->text->does, $one);
            self::assertStringContainsString('Par of a test by level', $one, $slug);
        }
        self::assertStringContainsString('Change ends', $this->page('/drills?skill=safety'));
        self::assertStringNotContainsString('Eight bays', $this->page('/drills?skill=safety'));
        self::assertStringContainsString('Eight bays', $this->page('/drills?skill=luck'));
        $this->browser->request('GET', '/drills/no-such-drill');
        self::assertSame(404, $this->code());
    }

    public function testARoundIsKeptOnceHoweverOftenItIsSent(): void
    {
        $round = ['key' => 'round-0001', 'edition' => 1, 'drill' => 'dead-stop', 'step' => 'as it is', 'test' => true, 'at' => '2026-11-20T18:00:00Z', 'player' => 'Ada', 'place' => 'By the window', 'points' => [2, 1, 0, 2, 2, 2, 1, 2, 2], 'repeats' => 0];
        self::assertSame(['round-0001', 'round-0001'], $this->enter([$round, $round])['kept']);
        $this->enter([$round, ['key' => 'round-0002', 'points' => [1, 1], 'test' => false, 'repeats' => 3] + $round]);
        self::assertEquals(2, self::service(Connection::class)->fetchOne('SELECT COUNT(*) FROM drill_round'));
        $page = $this->page('/drills/dead-stop');
        self::assertStringContainsString('Best 14, last 14 (passed).', $page);
        self::assertStringContainsString('3 repeated', $page);
        self::assertStringContainsString('best 14, last 14', $this->page('/drills'));
        // The trend has an interval, once there are tests enough; the narrow form is another drill.
        foreach ([9, 11, 10, 12] as $n => $score) {
            $this->enter([['key' => "round-001$n", 'at' => "2026-11-2$n" . 'T18:00:00Z', 'points' => [$score]] + $round]);
        }
        self::assertMatchesRegularExpression('/The last 5 tests: 11\.2 on average \(\d+\.\d to \d+\.\d\)\. .*a test \([+-]\d+\.\d to [+-]\d+\.\d\)/', $this->page('/drills/dead-stop'));
        self::assertStringNotContainsString('The last 5 tests', $this->page('/drills/dead-stop?step=2'));
        self::assertStringContainsString('Best 14', $this->page('/drills/dead-stop?player=Ada'));
        $id = self::service(Connection::class)->fetchOne("SELECT id FROM drill_round WHERE entry_key = 'round-0001'");
        self::assertIsNumeric($id);
        $this->browser->request('POST', "/drills/dead-stop/rounds/$id/delete");
        self::assertSame(303, $this->code());
        self::assertStringContainsString('Best 12', $this->page('/drills/dead-stop'));
    }

    public function testBadRoundsAreRefusedWithTheirPath(): void
    {
        $round = ['key' => 'round-0001', 'drill' => 'dead-stop', 'at' => '2026-11-20T18:00:00Z', 'points' => [1]];
        foreach ([
            'entries[0].points' => ['points' => []] + $round,
            'entries[0].points[0]' => ['points' => [-1]] + $round,
            'entries[0].drill' => ['drill' => '../x'] + $round,
            'entries[0].key' => ['key' => 'x'] + $round,
            'entries[0].at' => ['at' => 'yesterday'] + $round,
        ] as $path => $entry) {
            $this->browser->request('POST', '/drills/rounds', content: json_encode(['entries' => [$entry]], \JSON_THROW_ON_ERROR));
            self::assertSame(422, $this->code());
            self::assertStringContainsString($path, (string) $this->browser->getResponse()->getContent());
        }
        self::assertEquals(0, self::service(Connection::class)->fetchOne('SELECT COUNT(*) FROM drill_round'));
    }

    public function testOnesOwnIsReadInPlayedExportedDeletedAndPutBack(): void
    {
        $this->import(json_encode(self::OWN, \JSON_THROW_ON_ERROR));
        self::assertSame(303, $this->code());
        $address = (string) $this->browser->getResponse()->headers->get('Location');
        self::assertStringEndsWith('/drills/uber-die-mitte', $address);
        $this->browser->request('GET', $address);
        $html = (string) $this->browser->getResponse()->getContent();
        self::assertStringContainsString('Über die &lt;Mitte&gt;', $html);
        self::assertStringContainsString('Drill', $this->page('/drills/uber-die-mitte/go?mode=test'));
        $this->browser->request('GET', '/drills/uber-die-mitte/file');
        self::assertStringContainsString('zig-lane/drill', (string) $this->browser->getResponse()->getContent());
        // The same once more has a name of its own.
        $this->import((string) $this->browser->getResponse()->getContent());
        self::assertStringEndsWith('/drills/uber-die-mitte-2', (string) $this->browser->getResponse()->headers->get('Location'));
        $this->browser->request('POST', '/drills/uber-die-mitte/delete');
        self::assertSame(303, $this->code());
        $this->browser->request('GET', '/drills/uber-die-mitte');
        self::assertSame(404, $this->code());
        $this->browser->request('POST', '/drills/uber-die-mitte/restore');
        self::assertSame(303, $this->code());
        self::assertSame(1, self::service(DrillShelf::class)->purge(new \DateTimeImmutable('+1 year')) + 1);
        // One that comes with the program stays.
        $this->browser->request('POST', '/drills/dead-stop/delete');
        self::assertStringContainsString('Dead stop', $this->page('/drills'));
        foreach (['', '{', '{"format":"zig-lane/rack"}', json_encode(['tries' => 99] + self::OWN, \JSON_THROW_ON_ERROR)] as $bad) {
            $this->import($bad);
            self::assertSame(422, $this->code());
            self::assertStringContainsString('was not imported', self::plain((string) $this->browser->getResponse()->getContent()));
        }
    }

    public function testADamagedOneIsTold(): void
    {
        $this->import(json_encode(self::OWN, \JSON_THROW_ON_ERROR));
        self::service(Connection::class)->executeStatement("UPDATE own_drill SET document = '{}'");
        self::assertStringContainsString('Dead stop', $this->page('/drills'));
        foreach (['', '/go', '/file'] as $what) {
            $this->browser->request('GET', "/drills/uber-die-mitte$what");
            self::assertSame(422, $this->code());
            self::assertStringContainsString('This drill is damaged', (string) $this->browser->getResponse()->getContent());
        }
    }

    public function testTheTrainerSaysWhatToPractiseAndWhy(): void
    {
        self::assertStringContainsString('There is no shot in the logbook yet', $this->page('/drills/trainer'));
        $database = self::service(Connection::class);
        $database->executeStatement("INSERT INTO play_session (entry_key, began_at, kind, player, place, opponent, notes, made_up) VALUES ('session-0001', '2026-11-20', 'practice', 'Ada', '', '', '', 0)");
        $session = $database->lastInsertId();
        for ($n = 0; $n < 60; ++$n) {
            // Draw shots fall half as often as promised, the others as they should.
            $drawn = 0 === $n % 2;
            $database->insert('attempt', ['session_id' => $session, 'entry_key' => "shot-$n-0001", 'edition' => 1, 'played_at' => '2026-11-20', 'game' => 'nine-ball', 'kind' => 'pot', 'spin' => $drawn ? 'draw' : 'centre', 'made' => (int) ($drawn ? $n % 4 < 2 && $n % 5 < 4 : $n % 10 < 9), 'scratched' => 0, 'cut' => 20, 'distance' => 0.6, 'promised_pot' => 0.85]);
        }
        $page = $this->page('/drills/trainer?minutes=60');
        self::assertMatchesRegularExpression('/Rows back, training Draw: \d+ % of 30 shots went well where 85 % were promised; that is about \d\.\d shots in a rack\./', $page);
        self::assertStringContainsString('Rows back, test', $page);
        // Tests of a drill for it are counted in: those of the player, at the usual step.
        foreach (['Ada', 'Ada', 'Somebody else'] as $n => $who) {
            $round = ['key' => "trainer-round-000$n", 'drill' => 'rows-back', 'step' => 'as it is', 'test' => true, 'at' => '2026-11-20T18:00:00Z', 'player' => $who, 'points' => [1, 0, 0], 'repeats' => 0];
            $this->browser->request('POST', '/drills/rounds', content: json_encode(['entries' => [$round]], \JSON_THROW_ON_ERROR));
        }
        self::assertStringContainsString('and 2 tests of drills are counted in', $this->page('/drills/trainer?minutes=60'));
        self::assertStringContainsString('Rows back: row 1', $this->page('/drills/sheets?of=rows-back,dead-stop,../x'));
        $this->browser->request('GET', '/drills/sheets?of=no-such-drill');
        self::assertSame(404, $this->code());
        foreach (['?minutes=7', '?player=Nobody'] as $query) {
            $this->browser->request('GET', "/drills/trainer$query");
            self::assertSame(200, $this->code());
        }
    }

    public function testADrillOfARackIsCheckedAndKept(): void
    {
        $id = $this->stored();
        self::assertStringContainsString('Make a drill of this table', $this->page("/racks/$id/drill"));
        $send = function (string $what, array $change = []) use ($id): array {
            $this->browser->request('POST', "/racks/$id/drill/$what", content: json_encode($change + self::OWN, \JSON_THROW_ON_ERROR));
            $answer = json_decode((string) $this->browser->getResponse()->getContent(), true, 16, \JSON_THROW_ON_ERROR);
            self::assertIsArray($answer);

            return $answer;
        };
        for ($n = 0; $n < 200 && true !== ($found = $send('check'))['settled']; ++$n) {
            usleep(50_000);
        }
        self::assertSame([], $found['impossible'] ?? null);
        self::assertIsArray($found['pars'] ?? null);
        self::assertCount(6, $found['pars']);
        // Nobody brings the cue ball behind the ball it pots, frozen to the far rail.
        $never = ['stations' => [['rules' => [['points' => 1, 'needs' => ['made', ['stops' => 'cue', 'in' => ['circle' => ['at' => [0.1, 3.9], 'radius' => 0.05]]]]]]] + self::OWN['stations'][0]]];
        for ($n = 0; $n < 200 && true !== ($found = $send('check', $never))['settled']; ++$n) {
            usleep(50_000);
        }
        self::assertSame([0], $found['impossible'] ?? null);
        $send('keep', ['tries' => 0]);
        self::assertSame(422, $this->code());
        self::assertSame(['address' => '/drills/uber-die-mitte'], $send('keep'));
        self::assertSame(201, $this->code());
    }

    public function testDrawnPlacesComeAnewForEveryTry(): void
    {
        $this->browser->request('GET', '/drills/drawn-places/go?mode=test');
        $html = (string) $this->browser->getResponse()->getContent();
        self::assertSame(10, substr_count($html, 'data-station='));
        preg_match_all('/class="mini" transform="([^"]+)"/', $html, $places);
        self::assertGreaterThan(15, \count(array_unique($places[1])));
    }

    public function testADrillIsReadByALinkUntilItIsTakenBack(): void
    {
        $this->browser->request('POST', '/drills/dead-stop/links', ['days' => '1']);
        self::assertSame(303, $this->code());
        $this->browser->followRedirect();
        $html = (string) $this->browser->getResponse()->getContent();
        self::assertSame(1, preg_match('~/shared/drills/([0-9a-f]{32})~', $html, $found));
        $address = "/shared/drills/$found[1]";
        self::assertStringContainsString('Dead stop', $this->page($address));
        $this->browser->request('GET', "$address/file");
        $file = (string) $this->browser->getResponse()->getContent();
        self::assertStringContainsString('"format": "zig-lane/drill"', $file);
        self::assertSame('Dead stop', DrillFile::read(JsonText::decode($file))->name);
        // What cannot be read, what is over and what was taken back are all "no drill here".
        $database = self::service(Connection::class);
        $database->executeStatement("UPDATE shared_drill SET document = '{}'");
        $this->browser->request('GET', $address);
        self::assertSame(404, $this->code());
        self::assertStringContainsString('No drill here', (string) $this->browser->getResponse()->getContent());
        $this->browser->request('GET', "$address/file");
        self::assertSame(404, $this->code());
        $database->executeStatement("UPDATE shared_drill SET until_at = '2020-01-01'");
        self::assertStringContainsString('No link can be opened', $this->page('/drills/dead-stop/links'));
        self::assertSame(1, self::service(SharedDrills::class)->purge(new \DateTimeImmutable()));
        $this->browser->request('POST', '/drills/dead-stop/links', ['days' => '30']);
        $id = $database->fetchOne('SELECT id FROM shared_drill');
        self::assertIsNumeric($id);
        $this->browser->request('POST', "/drills/eight-bays/links/$id/take-back");
        self::assertStringContainsString('Take back', $this->page('/drills/dead-stop/links'), 'another drill’s link stays');
        $this->browser->request('POST', "/drills/dead-stop/links/$id/take-back");
        self::assertStringContainsString('No link can be opened', $this->page('/drills/dead-stop/links'));
        $this->browser->request('POST', '/drills/no-such-drill/links');
        self::assertSame(404, $this->code());
    }

    private function page(string $path): string
    {
        $this->browser->request('GET', $path);
        self::assertSame(200, $this->code(), $path);

        return self::plain((string) $this->browser->getResponse()->getContent());
    }

    private function import(string $text): void
    {
        $file = (string) tempnam(sys_get_temp_dir(), 'drill');
        file_put_contents($file, $text);
        $this->browser->request('POST', '/drills/import', [], ['file' => new UploadedFile($file, 'mine.json', test: true)]);
        @unlink($file);
    }

    /**
     * @param list<array<string, mixed>> $entries
     *
     * @return array<string, mixed>
     */
    private function enter(array $entries): array
    {
        $this->browser->request('POST', '/drills/rounds', content: json_encode(['entries' => $entries], \JSON_THROW_ON_ERROR));
        self::assertSame(200, $this->code(), (string) $this->browser->getResponse()->getContent());
        $answer = json_decode((string) $this->browser->getResponse()->getContent(), true, 16, \JSON_THROW_ON_ERROR);
        self::assertIsArray($answer);

        /** @var array<string, mixed> $answer */
        return $answer;
    }
}
