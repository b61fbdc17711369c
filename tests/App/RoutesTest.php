<?php

declare(strict_types=1);

namespace ZigLane\Tests\App;

use ZigLane\App\Controller\RouteController;

final class RoutesTest extends AppTestCase
{
    private const LEG = ['balls' => ['cue' => [5.2, 1.6], '1' => [6.6, 0.9], '2' => [2.4, 3.4], '9' => [1, 1]], 'legs' => [['ball' => '1', 'pocket' => 'foot-left', 'speed' => ['lengths' => 2]]]];

    public function testRoutesAreStreamedUntilTheyAreSettled(): void
    {
        $lists = explode(RouteController::NEXT, $this->stream("/racks/{$this->stored(self::LEG)}/routes?leg=1"));
        self::assertSame('', array_pop($lists));
        self::assertGreaterThan(3, \count($lists));
        self::assertStringContainsString('Looking further', $lists[0]);
        $last = $lists[\count($lists) - 1];
        self::assertStringContainsString('Settled', $last);
        self::assertMatchesRegularExpression('/name="op" value="leg".*name="lengths" value="[\d.]+"/s', $last);
        self::assertStringContainsString('still leaves the 2', $last);
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

    private function stream(string $path): string
    {
        $this->browser->request('GET', $path);
        self::assertSame(200, $this->code());

        return (string) $this->browser->getInternalResponse()->getContent();
    }
}
