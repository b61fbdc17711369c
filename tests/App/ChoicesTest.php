<?php

declare(strict_types=1);

namespace ZigLane\Tests\App;

use Doctrine\DBAL\Connection;
use ZigLane\App\Choice\ChoiceStore;
use ZigLane\App\Choice\Posed;
use ZigLane\App\Choice\PosedKind;
use ZigLane\App\Choice\Wish;
use ZigLane\Core\Choice\Pair;
use ZigLane\Core\Planning\PlanSearch;

/**
 * Look before you leap: asked, answered, told.
 */
final class ChoicesTest extends AppTestCase
{
    /** A rack of two, posed. */
    private function posed(): int
    {
        $rack = self::rack(['balls' => ['cue' => [4.0, 2.0], '8' => [6.0, 1.0], '9' => [6.5, 3.0]]]);

        return self::service(ChoiceStore::class)->pose(new Wish(balls: 2), 'Ada', (new Posed($rack, null, true))->write());
    }

    public function testARackIsAskedForAndMadeReadyAhead(): void
    {
        $wish = ['kind' => 'rack', 'who' => 'level:league', 'place' => '', 'game' => 'nine-ball', 'balls' => 2];
        $before = self::service(ChoiceStore::class)->posed();
        $found = $this->settled('/choices/next', $wish + ['ahead' => true]);
        self::assertSame(['ready' => true], $found);
        self::assertSame($before, self::service(ChoiceStore::class)->posed(), 'nothing is stored ahead');
        $found = $this->settled('/choices/next', $wish);
        self::assertSame(201, $this->code());
        self::assertIsString($found['address']);
        $this->browser->request('GET', $found['address']);
        self::assertSame(200, $this->code());
        $page = (string) $this->browser->getResponse()->getContent();
        self::assertStringContainsString('nine-ball, for a league player', $page);
        self::assertSame(3, substr_count($page, 'class="mini ball"'));
        foreach ([['game' => 'straight-pool'], ['balls' => 9], ['who' => 'profile:999'], ['who' => 'level:x'], ['place' => 'x'], ['kind' => 'x']] as $bad) {
            self::assertArrayHasKey('problem', $this->send('/choices/next', $bad + $wish));
            self::assertSame(422, $this->code());
        }
    }

    public function testWhatWasChosenIsToldBesideThePlanAndKeptOnce(): void
    {
        $id = $this->posed();
        $choice = ['shot' => ['ball' => '8', 'pocket' => 'foot-left', 'speed' => ['lengths' => 1.5], 'tip' => ['side' => 0, 'height' => 0]], 'spot' => [5.0, 2.0], 'order' => []];
        self::assertSame(['problem' => 'Choice.shot.ball: 9 is not on now'], $this->send("/choices/$id", ['shot' => ['ball' => '9'] + $choice['shot']] + $choice));
        self::assertSame(422, $this->code());
        $found = $this->settled("/choices/$id", $choice);
        self::assertSame(['address' => "/choices/$id"], $found);
        $page = $this->page("/choices/$id");
        self::assertMatchesRegularExpression('/Yours runs out in \d+ of 100, the plan in \d+: \d+ points? lost|As good as the plan/', $page);
        self::assertStringContainsString('The 8 in the foot left. Tip: centre. Pace: walk, 1.5 lengths.', $page);
        self::assertStringContainsString('9 → ', $page);
        // Another answer changes nothing.
        $before = self::service(ChoiceStore::class)->find($id)['answer'];
        self::assertSame(['address' => "/choices/$id"], $this->send("/choices/$id", ['shot' => ['pocket' => 'head-left'] + $choice['shot']] + $choice));
        self::assertSame($before, self::service(ChoiceStore::class)->find($id)['answer']);
        $list = $this->page('/choices');
        self::assertStringContainsString('look again', $list);
        $this->browser->request('POST', "/choices/$id/rack");
        self::assertSame(303, $this->code());
        $this->browser->followRedirect();
        self::assertStringContainsString("Look before you leap $id", (string) $this->browser->getResponse()->getContent());
    }

    public function testOneOfTwoIsNamed(): void
    {
        $rack = self::rack(['balls' => ['cue' => [4.0, 2.0], '9' => [6.5, 3.0]]]);
        $shot = (new PlanSearch($rack))->plan()->shots[0];
        $store = self::service(ChoiceStore::class);
        $id = $store->pose(new Wish(PosedKind::Pair), 'Ada', (new Posed($rack, new Pair($rack, [$shot, $shot])))->write());
        self::assertStringContainsString('Which way runs out more often?', $this->page("/choices/$id"));
        $this->send("/choices/$id", ['named' => 2]);
        self::assertSame(422, $this->code());
        $this->send("/choices/$id", ['named' => 0]);
        self::assertSame(200, $this->code());
        self::assertStringContainsString('Right: A runs out in', $this->page("/choices/$id"));
        self::assertStringContainsString('you named the better one 1 of 1 times', $this->page('/choices'));
    }

    /** What is stored and cannot be read breaks no page. */
    public function testADamagedOneSaysSo(): void
    {
        $id = $this->posed();
        $good = $this->posed();
        $database = self::service(Connection::class);
        foreach (["document = '{}'", "document = ''", "wish = '[]'", "document = LEFT(document, 60)"] as $damage) {
            $database->executeStatement("UPDATE posed_choice SET $damage WHERE id = $id");
            $this->browser->request('GET', "/choices/$id");
            self::assertSame(422, $this->code(), $damage);
            $this->send("/choices/$id", ['named' => 0]);
            self::assertSame(422, $this->code(), $damage);
        }
        foreach (["'{}'", "''", "'{\"named\":\"x\"}'", "'{\"choice\":{},\"worth\":{\"plan\":2}}'"] as $answer) {
            $database->executeStatement("UPDATE posed_choice SET answer = $answer, answered_at = NOW() WHERE id = $good");
            $this->browser->request('GET', "/choices/$good");
            self::assertSame(422, $this->code(), $answer);
            self::assertStringContainsString('Look before you leap', $this->page('/choices'));
            $this->page('/drills/trainer');
        }
        $this->browser->request('GET', '/choices/999999');
        self::assertSame(404, $this->code());
    }

    public function testWithoutAnAnswerItIsForgottenInTime(): void
    {
        $id = $this->posed();
        $there = static fn(): bool => false !== self::service(Connection::class)->fetchOne('SELECT 1 FROM posed_choice WHERE id = ?', [$id]);
        self::service(ChoiceStore::class)->purge(new \DateTimeImmutable('+10 days'));
        self::assertTrue($there());
        self::service(ChoiceStore::class)->purge(new \DateTimeImmutable('+20 days'));
        self::assertFalse($there());
        $id = $this->posed();
        self::service(ChoiceStore::class)->answer($id, ['named' => 0, 'right' => true]);
        self::service(ChoiceStore::class)->purge(new \DateTimeImmutable('+900 days'));
        self::assertNotNull(self::service(ChoiceStore::class)->find($id)['answer']);
        self::service(ChoiceStore::class)->purge(new \DateTimeImmutable('+1100 days'));
        self::assertSame([], self::service(ChoiceStore::class)->players());
    }

    private function page(string $address): string
    {
        $this->browser->request('GET', $address);
        self::assertSame(200, $this->code(), $address);

        return self::plain((string) $this->browser->getResponse()->getContent());
    }

    /**
     * @param array<string, mixed> $body
     *
     * @return array<mixed>
     */
    private function send(string $address, array $body): array
    {
        $this->browser->request('POST', $address, content: json_encode($body, \JSON_THROW_ON_ERROR));
        $answer = json_decode((string) $this->browser->getResponse()->getContent(), true, 16, \JSON_THROW_ON_ERROR);
        self::assertIsArray($answer);

        return $answer;
    }

    /**
     * @param array<string, mixed> $body
     *
     * @return array<mixed> the last answer
     */
    private function settled(string $address, array $body): array
    {
        for ($n = 0; $n < 400; ++$n) {
            $answer = $this->send($address, $body);
            if (202 !== $this->code()) {
                return $answer;
            }
            usleep(50_000);
        }
        self::fail('It was never settled.');
    }
}
