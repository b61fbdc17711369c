<?php

declare(strict_types=1);

namespace ZigLane\Tests\App;

use Doctrine\DBAL\Connection;
use ZigLane\App\Coach\Assignments;

/**
 * Drills and racks set for players, and what came of them.
 */
final class CoachTest extends AppTestCase
{
    public function testADrillIsSetForTwoAndResultsComeIn(): void
    {
        $this->assign(['players' => ['Ada', 'Bo'], 'what' => 'drill:dead-stop', 'due' => '2026-12-24', 'note' => 'Watch the bridge']);
        self::assertSame(303, $this->code());
        $page = $this->page('/coach');
        self::assertStringContainsString('Ada', $page);
        self::assertSame(2, substr_count($page, 'Watch the bridge'));
        self::assertStringContainsString('nothing yet', $page);
        // The players see it where drills are.
        $drills = $this->page('/drills');
        self::assertStringContainsString('by 24 Dec', $drills);
        self::assertSame(2, substr_count($drills, 'Watch the bridge'));
        $round = ['key' => 'coach-round-0001', 'drill' => 'dead-stop', 'step' => '', 'test' => true, 'at' => gmdate('Y-m-d\TH:i:s\Z', time() + 5), 'player' => 'Ada', 'points' => [1, 1, 0, 1, 1, 0, 1, 1, 1], 'repeats' => 0];
        $this->browser->request('POST', '/drills/rounds', content: json_encode(['entries' => [$round]], \JSON_THROW_ON_ERROR));
        self::assertSame(200, $this->code());
        $page = $this->page('/coach?player=Ada');
        self::assertMatchesRegularExpression('/7 of 18/', $page);
        self::assertStringNotContainsString('Bo', $page);
        self::assertSame(1, substr_count($this->page('/drills'), 'Watch the bridge'), 'Ada has done it');
        $this->browser->request('GET', '/coach/results.csv');
        $csv = (string) $this->browser->getResponse()->getContent();
        self::assertStringContainsString('Ada,', $csv);
        self::assertMatchesRegularExpression('/^Ada,[^,]+,Watch the bridge,2026-12-24,[^,]+,,[^,]+,yes,7,18,,\r$/m', $csv);
        self::assertMatchesRegularExpression('/^Bo,[^,]+,Watch the bridge,2026-12-24,[^,]+,,,,,,,\r$/m', $csv);
    }

    public function testARackThatIsShotIsAResult(): void
    {
        $id = $this->stored(['name' => 'Three to go']);
        $this->assign(['player' => 'Cleo', 'what' => "rack:$id"]);
        $database = self::service(Connection::class);
        $database->insert('play_session', ['entry_key' => 'coach-session-1', 'began_at' => gmdate('Y-m-d H:i:s'), 'kind' => 'practice', 'player' => 'Cleo', 'place' => '', 'opponent' => '', 'notes' => '', 'made_up' => 0]);
        $session = $database->lastInsertId();
        foreach ([1, 1, 0] as $n => $made) {
            $database->insert('attempt', ['session_id' => $session, 'entry_key' => "coach-shot-000$n", 'run_key' => "r$id-abcdef01", 'edition' => 1, 'played_at' => gmdate('Y-m-d H:i:s', time() + 9), 'game' => 'nine-ball', 'kind' => 'pot', 'spin' => 'centre', 'made' => $made, 'scratched' => 0]);
        }
        $page = $this->page('/coach?player=Cleo');
        self::assertStringContainsString('Three to go', $page);
        self::assertStringContainsString('2 of 3 made', $page);
        $this->post($id, 'delete');
        self::assertStringContainsString('a rack that is gone', $this->page('/coach'));
        $this->page('/drills');
    }

    public function testItIsEndedAndPutBack(): void
    {
        $this->assign(['player' => '=Dot', 'what' => 'drill:eight-bays', 'note' => '-1']);
        $id = self::service(Connection::class)->fetchOne('SELECT MAX(id) FROM assignment');
        self::assertIsNumeric($id);
        $this->browser->request('POST', "/coach/assignments/$id/close", ['back' => '=Dot']);
        $this->browser->followRedirect();
        $page = self::plain((string) $this->browser->getResponse()->getContent());
        self::assertStringContainsString('Nothing is set for =Dot', $page);
        self::assertStringContainsString('Put it back', $page);
        $this->browser->request('POST', "/coach/assignments/$id/open");
        self::assertCount(1, self::service(Assignments::class)->all('=Dot'));
        // A spreadsheet takes no name for a formula.
        $this->browser->request('GET', '/coach/results.csv?player=%3DDot');
        self::assertStringContainsString("'=Dot,", (string) $this->browser->getResponse()->getContent());
        self::assertStringContainsString(",'-1,", (string) $this->browser->getResponse()->getContent());
        self::assertSame(0, self::service(Assignments::class)->purge(new \DateTimeImmutable('+2 years')));
    }

    public function testWhatIsWrongWithTheFormIsSaid(): void
    {
        foreach ([
            'choose a player' => ['what' => 'drill:dead-stop'],
            'choose a drill' => ['player' => 'Ada', 'what' => 'x'],
            'is no day' => ['player' => 'Ada', 'what' => 'drill:dead-stop', 'due' => '2026-02-30'],
            'Note: has 501 characters (limit 500)' => ['player' => 'Ada', 'what' => 'drill:dead-stop', 'note' => str_repeat('x', 501)],
        ] as $says => $form) {
            $this->assign($form);
            self::assertSame(422, $this->code(), $says);
            self::assertStringContainsString($says, self::plain((string) $this->browser->getResponse()->getContent()));
        }
        foreach (['drill:no-such-drill', 'rack:999999'] as $what) {
            $this->assign(['player' => 'Ada', 'what' => $what]);
            self::assertSame(404, $this->code());
        }
        self::assertSame([], self::service(Assignments::class)->all('Ada'));
        $this->page('/coach?player=Nobody');
    }

    /** @param array<string, string|list<string>> $form */
    private function assign(array $form): void
    {
        $this->browser->request('POST', '/coach/assign', $form);
    }

    private function page(string $address): string
    {
        $this->browser->request('GET', $address);
        self::assertSame(200, $this->code(), $address);

        return self::plain((string) $this->browser->getResponse()->getContent());
    }
}
