<?php

declare(strict_types=1);

namespace ZigLane\Tests\App;

use ZigLane\App\Reading\FindRoutes;
use ZigLane\Core\Equipment\Pocket;

final class RoutesTest extends AppTestCase
{
    private const LEG = ['balls' => ['cue' => [5.2, 1.6], '1' => [6.6, 0.9], '2' => [2.4, 3.4], '9' => [1, 1]], 'legs' => [['ball' => '1', 'pocket' => 'foot-left', 'speed' => ['lengths' => 2]]]];

    public function testRoutesAreSettled(): void
    {
        $this->browser->request('GET', "/racks/{$this->stored(self::LEG)}/routes?leg=1");
        self::assertSame(200, $this->code());
        $list = (string) $this->browser->getResponse()->getContent();
        self::assertStringContainsString('Settled', $list);
        self::assertMatchesRegularExpression('/name="op" value="leg".*name="lengths" value="[\d.]+"/s', $list);
        self::assertStringContainsString('still leaves the 2', $list);
    }

    /** A worker hands in lists that get better; the page asks again until the last. */
    public function testListsGetBetterUntilTheLast(): void
    {
        $rack = self::rack(self::LEG);
        $lists = [];
        foreach (self::service(FindRoutes::class)->answers([$rack, 1, Pocket::FootLeft, 1]) as $list) {
            $lists[] = $list->settled;
        }
        self::assertGreaterThan(3, \count($lists));
        self::assertFalse($lists[0]);
        self::assertTrue($lists[\count($lists) - 1]);
    }

    public function testWhatHasNoRoutesSaysSo(): void
    {
        $id = $this->stored(self::LEG);
        foreach (['leg=0' => 'there is no leg 0', 'leg=7' => 'there is no leg 7'] as $query => $said) {
            foreach (['routes', 'spread'] as $what) {
                $this->browser->request('GET', "/racks/$id/$what?$query");
                self::assertSame(422, $this->code());
                self::assertStringContainsString($said, (string) $this->browser->getResponse()->getContent());
            }
        }
        $id = $this->stored(['legs' => [['aimDeg' => 10, 'speed' => ['lengths' => 2]]]] + self::LEG);
        $this->browser->request('GET', "/racks/$id/routes?leg=1");
        self::assertStringContainsString('leg 1 names no ball and pocket', (string) $this->browser->getResponse()->getContent());
    }

    public function testTheSpreadHasStrokesToTakeOver(): void
    {
        $this->browser->request('GET', "/racks/{$this->stored(self::LEG)}/spread?leg=1");
        self::assertSame(200, $this->code());
        $html = (string) $this->browser->getResponse()->getContent();
        self::assertGreaterThan(60, substr_count($html, 'class="place'));
        self::assertMatchesRegularExpression('/data-side="-?[\d.]+" data-height="-?[\d.]+" data-lengths="[\d.]+"/', $html);
    }

    public function testTheAimCard(): void
    {
        $id = $this->stored(self::LEG);
        $this->browser->request('GET', "/racks/$id/card?leg=1");
        self::assertSame(200, $this->code());
        $page = self::plain((string) $this->browser->getResponse()->getContent());
        self::assertMatchesRegularExpression('/The 1, foot left.*\d+° to the (right|left).*ball widths to the (right|left).*2\.0 lengths.*Throw, at the pocket/s', $page);
        $this->browser->request('GET', "/racks/$id/card?leg=0");
        self::assertStringContainsString('No aim card', self::plain((string) $this->browser->getResponse()->getContent()));
    }
}
