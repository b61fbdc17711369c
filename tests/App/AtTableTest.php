<?php

declare(strict_types=1);

namespace ZigLane\Tests\App;

use Doctrine\DBAL\Connection;
use ZigLane\Core\Rack\Files\RackFile;

/**
 * What a device at the table asks of the server.
 *
 * @phpstan-type Seen array{ball: string, x: float, y: float, r: float}
 * @phpstan-type Shot array{ball: string, meant: array<string, mixed>, rack: array{balls: array<string, array{float, float}>},
 *     plan: array{zone: list<list<array{float, float}>>}, at: array{float, float},
 *     aim: array{widths: float, behind: array{balls: list<Seen>, ghost: array{x: float, y: float}}}}
 * @phpstan-type Sheet array{edition: int, settled: bool, inHand: bool, why: string, shots: list<Shot>, prepared: array<int, list<Shot>>}
 */
final class AtTableTest extends AppTestCase
{
    private const LAST = ['cue' => [5.0, 2.0], '9' => [6.5, 3.0]];
    private const BALLS = ['cue' => [5.0, 2.0], '1' => [6.0, 1.0], '9' => [6.5, 3.0]];

    public function testThePlanComesWithAllThatIsNeededAtTheTable(): void
    {
        $sheet = $this->sheet($this->stored(['balls' => self::LAST]));
        self::assertSame(['settled' => true, 'shots' => 1], ['settled' => $sheet['settled'], 'shots' => \count($sheet['shots'])]);
        $first = $sheet['shots'][0];
        $keys = ['title', 'meant', 'rack', 'plan', 'tip', 'lengths', 'aim', 'balls', 'cueWay', 'ghost', 'rest', 'zone', 'why', 'route'];
        self::assertSame([], array_values(array_diff($keys, array_keys($first))));
        self::assertSame('9', $first['ball']);
        self::assertEquals([5, 2], $first['rack']['balls']['cue']);
        // What one sees behind the cue ball: the ghost ball touches the ball in the picture as on the table.
        $behind = $first['aim']['behind'];
        $ball = array_values(array_filter($behind['balls'], static fn(array $b): bool => '9' === $b['ball']))[0];
        self::assertEqualsWithDelta(0.5, $ball['r'], 0.001);
        self::assertEqualsWithDelta($first['aim']['widths'], $behind['ghost']['x'] - $ball['x'], 0.06);
    }

    public function testOnlyWhatTheDeviceDoesNotHaveIsSent(): void
    {
        $id = $this->stored(['balls' => self::LAST]);
        $sheet = $this->sheet($id);
        $this->browser->request('GET', "/racks/$id/table/sheet?have=" . $sheet['edition']);
        self::assertSame(['edition' => $sheet['edition']], json_decode((string) $this->browser->getResponse()->getContent(), true));
    }

    public function testAPlanIsMadeFromWhereAShotLeftTheBalls(): void
    {
        $id = $this->stored(['balls' => self::BALLS]);
        $rack = RackFile::write(self::rack(['balls' => self::BALLS]));
        $attempt = [
            'at' => '2026-11-26T15:00:00Z',
            'rack' => $rack,
            'meant' => ['ball' => '1', 'pocket' => 'foot-left', 'speed' => ['lengths' => 1.5]],
            'plan' => ['pot' => 0.9, 'runOut' => 0.5, 'rest' => [5, 2], 'headingDeg' => 180, 'zone' => [[[4, 1], [6, 1], [6, 3], [4, 3]]]],
            'result' => ['made' => true, 'cue' => [0.5, 3.5], 'moved' => ['1' => null]],
        ];
        $next = $this->next($id, $attempt);
        self::assertSame('9', $next['shots'][0]['ball']);
        self::assertEquals([0.5, 3.5], $next['shots'][0]['rack']['balls']['cue']);
        self::assertMatchesRegularExpression('/^The cue ball stopped .* out of the zone\.$/', $next['why']);
        $next = $this->next($id, ['result' => ['made' => false, 'cue' => null, 'moved' => ['1' => null]]] + $attempt);
        self::assertTrue($next['inHand']);
        self::assertSame('The cue ball was scratched.', $next['why']);
        // The rack is over, or it is none.
        $this->next($id, ['result' => ['made' => true, 'cue' => [1, 1], 'moved' => ['1' => null, '9' => null]]] + $attempt);
        self::assertSame(422, $this->code());
        $this->next($id, ['rack' => 7]);
        self::assertSame(422, $this->code());
    }

    public function testAPlanIsMadeFromWhereTheBallsWereLaidBeforeTheFirstShot(): void
    {
        $id = $this->stored(['balls' => self::BALLS]);
        $next = $this->next($id, ['laid' => RackFile::write(self::rack(['balls' => ['cue' => [3, 1]] + self::BALLS]))]);
        self::assertEquals([3, 1], $next['shots'][0]['rack']['balls']['cue']);
        self::assertSame('', $next['why']);
        $this->next($id, ['laid' => ['game' => 'chess']]);
        self::assertSame(422, $this->code());
        self::assertStringContainsString('laid.', (string) $this->browser->getResponse()->getContent());
    }

    public function testADamagedPlanIsMadeAnew(): void
    {
        $id = $this->stored(['balls' => self::LAST]);
        $this->browser->request('POST', "/racks/$id/plans", ['again' => '1']);
        self::consume();
        // A settled plan is taken along as it is.
        self::assertSame(1, $this->sheet($id)['edition']);
        self::service(Connection::class)->executeStatement("UPDATE plan SET result = '{\"shots\": 7}'");
        self::service(Connection::class)->executeStatement('DELETE FROM task');
        $sheet = $this->sheet($id);
        self::assertGreaterThan(1, $sheet['edition']);
        self::assertCount(1, $sheet['shots']);
    }

    public function testThePageAndTheRunOfNoRackAreNotThere(): void
    {
        $this->browser->request('GET', '/racks/' . $this->stored() . '/table');
        self::assertSame(200, $this->code());
        foreach (['/racks/999999/table', '/racks/999999/table/sheet', '/logbook/runs/none-of-them'] as $path) {
            $this->browser->request('GET', $path);
            self::assertSame(404, $this->code(), $path);
        }
    }

    /**
     * @return Sheet
     */
    private function sheet(int $id): array
    {
        $this->browser->request('GET', "/racks/$id/table/sheet");

        return $this->answer();
    }

    /**
     * @param array<string, mixed> $attempt
     *
     * @return Sheet
     */
    private function next(int $id, array $attempt): array
    {
        $this->browser->request('POST', "/racks/$id/table/sheet", [], [], ['CONTENT_TYPE' => 'application/json'], json_encode($attempt, \JSON_THROW_ON_ERROR));

        return $this->answer();
    }

    /**
     * @return Sheet
     */
    private function answer(): array
    {
        /** @var Sheet */
        return json_decode((string) $this->browser->getResponse()->getContent(), true, 64, \JSON_THROW_ON_ERROR);
    }
}
