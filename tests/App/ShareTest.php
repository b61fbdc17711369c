<?php

declare(strict_types=1);

namespace ZigLane\Tests\App;

use Doctrine\DBAL\Connection;
use ZigLane\App\Share\SharedPlans;

/**
 * A plan behind a link: read by whoever has it, until it is taken back or its time is over.
 */
final class ShareTest extends AppTestCase
{
    private const LAN = ['ZIG_LANE_LAN' => '1', 'HTTPS' => 'on', 'HTTP_ACCEPT' => 'text/html'];

    public function testALinkIsMadeReadWithoutSigningInAndTakenBack(): void
    {
        [$id, $path] = $this->link();
        $this->browser->request('GET', $path, [], [], self::LAN);
        self::assertSame(200, $this->code());
        $page = self::plain((string) $this->browser->getResponse()->getContent());
        self::assertStringContainsString('to run out, 1 shots', $page);
        self::assertStringContainsString('9 → foot', $page);
        // One shot of it, with its motion; shots that are not there are the nearest.
        foreach (['1', '7', '-3', 'x'] as $shot) {
            $this->browser->request('GET', "$path?shot=$shot", [], [], self::LAN);
            self::assertSame('x' === $shot ? 400 : 200, $this->code(), $shot);
        }
        $this->browser->request('GET', "$path?shot=1", [], [], self::LAN);
        $html = (string) $this->browser->getResponse()->getContent();
        self::assertStringContainsString('id="motion"', $html);
        // It leads nowhere else.
        preg_match_all('/(?:href|action|src)="([^"]+)"/', $html, $found);
        foreach ($found[1] as $to) {
            self::assertTrue(str_starts_with($to, '/shared/') || str_starts_with($to, '/v/'), $to);
        }
        $this->browser->request('GET', '/racks/' . $id, [], [], self::LAN);
        self::assertSame(303, $this->code());
        $share = self::service(SharedPlans::class)->of($id)[0];
        $this->browser->request('POST', "/racks/$id/links/{$share->id()}/take-back");
        $this->browser->request('GET', $path, [], [], self::LAN);
        self::assertSame(404, $this->code());
        self::assertStringContainsString('No plan here', (string) $this->browser->getResponse()->getContent());
    }

    public function testALinkEndsWithItsTimeAndWithItsRack(): void
    {
        [$id, $path] = $this->link();
        $this->post($id, 'delete');
        $this->browser->request('GET', $path);
        self::assertSame(404, $this->code());
        $this->browser->request('POST', "/racks/$id/restore");
        $this->browser->request('GET', $path);
        self::assertSame(200, $this->code());
        self::service(Connection::class)->executeStatement("UPDATE shared_plan SET until = '2020-01-01'");
        $this->browser->request('GET', $path);
        self::assertSame(404, $this->code());
        self::service(SharedPlans::class)->purge(new \DateTimeImmutable());
        self::assertSame(0, (int) self::number(self::service(Connection::class)->fetchOne('SELECT COUNT(*) FROM shared_plan')));
    }

    public function testWhatIsDamagedSaysSo(): void
    {
        [, $path] = $this->link();
        foreach (['{', '[]', '{"shots":[7]}'] as $damage) {
            self::service(Connection::class)->executeStatement('UPDATE shared_plan SET result = ?', [$damage]);
            $this->browser->request('GET', $path);
            self::assertSame(404, $this->code());
        }
        $this->browser->request('GET', '/shared/' . str_repeat('0', 32));
        self::assertSame(404, $this->code());
    }

    public function testWithoutAPlanThereIsNothingToShare(): void
    {
        $id = $this->stored();
        $this->browser->request('POST', "/racks/$id/links", ['days' => 7]);
        self::assertSame(422, $this->code());
        self::assertStringContainsString('There is no plan yet', self::plain((string) $this->browser->getResponse()->getContent()));
    }

    /**
     * @return array{int, string} a planned rack, and the path of its link
     */
    private function link(): array
    {
        $id = $this->stored(['balls' => ['cue' => [5.0, 2.0], '9' => [6.5, 3.0]]]);
        $this->browser->request('POST', "/racks/$id/plans", ['again' => '1']);
        self::consume();
        $this->browser->request('POST', "/racks/$id/links", ['days' => 7]);
        self::assertSame(303, $this->code(), self::plain((string) $this->browser->getResponse()->getContent()));
        $this->browser->followRedirect();
        self::assertSame(1, preg_match('#value="http://127.0.0.1(/shared/[0-9a-f]{32})"#', (string) $this->browser->getResponse()->getContent(), $m));

        return [$id, $m[1]];
    }

    private static function number(mixed $value): float
    {
        return is_numeric($value) ? (float) $value : self::fail('no number');
    }
}
