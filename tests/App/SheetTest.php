<?php

declare(strict_types=1);

namespace ZigLane\Tests\App;

/**
 * The printed sheet of a rack.
 */
final class SheetTest extends AppTestCase
{
    public function testEveryLegHasAFigure(): void
    {
        $crawler = $this->browser->request('GET', '/racks/' . $this->withLegs('2') . '/sheet?per=4');
        self::assertSame(200, $this->code());
        self::assertCount(3, $crawler->filter('svg.inktable'));
    }

    public function testALegWhoseBallIsGoneIsPrintedWithoutItsWay(): void
    {
        $crawler = $this->browser->request('GET', '/racks/' . $this->withLegs('1') . '/sheet?per=4');
        self::assertSame(200, $this->code());
        self::assertCount(3, $crawler->filter('svg.inktable'));
    }

    /** A rack of two legs: the 1, then a ball. */
    private function withLegs(string $ball): int
    {
        $leg = static fn(string $ball): array => ['ball' => $ball, 'pocket' => 'foot-left', 'speed' => ['lengths' => 1.5]];

        return $this->stored(['legs' => [$leg('1'), $leg($ball)]]);
    }
}
