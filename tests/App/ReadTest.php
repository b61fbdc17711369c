<?php

declare(strict_types=1);

namespace ZigLane\Tests\App;

final class ReadTest extends AppTestCase
{
    private const CLUSTER = ['cue' => [1.5, 2], '1' => [4, 1], '3' => [2.5, 3], '5' => [6, 0.09], '8' => [5.819, 0.09], '9' => [6.09, 0.247]];

    public function testAReadingIsInThePageWithoutAnyScript(): void
    {
        $id = $this->stored(['balls' => self::CLUSTER]);
        $page = $this->page("/racks/$id?read=table");
        self::assertStringContainsString('The 5 is the problem', $page);
        self::assertMatchesRegularExpression('/\d of 5 balls go directly/', $page);
        self::assertStringContainsString('blocked by the', $this->page("/racks/$id?read=5"));
        // What is not on the table is not looked at, and nonsense reads the table.
        self::assertStringContainsString('What goes', $this->page("/racks/$id?read=7"));
        self::assertStringContainsString('What goes', $this->page("/racks/$id?read=%3Cb%3E"));
    }

    public function testAZoneAsked(): void
    {
        $id = $this->stored(['balls' => self::CLUSTER]);
        $zone = $this->page("/racks/$id/zone?ball=1&pocket=side-right");
        self::assertMatchesRegularExpression('/\d\.\d\d m² give the 1 in the side right pocket at 75 % or better/', $zone);
        self::assertSame($zone, $this->page("/racks/$id/zone?ball=1&pocket=side-right"), 'the kept answer is the same');
        self::assertStringContainsString('at 90 %', $this->page("/racks/$id/zone?ball=1&pocket=side-right&chance=90"));
    }

    public function testWhatCannotBeAskedIsRefusedInWords(): void
    {
        $id = $this->stored(['balls' => self::CLUSTER]);
        foreach ([
            'zone?ball=1&pocket=middle' => 'pocket: is none of the six',
            'zone?ball=6&pocket=side-left' => 'there is no 6 on the table',
            'zone?ball=0&pocket=side-left' => 'there is no 0 on the table',
            'zone?ball=1&pocket=side-left&chance=100' => '100 is outside 5–95 %',
            'from?x=9&y=1' => 'must be diamonds on the table',
            'from?x=&y=1' => 'must be diamonds on the table',
            'reach?x=1&y=-1' => 'must be diamonds on the table',
        ] as $query => $said) {
            self::assertStringContainsString($said, $this->page("/racks/$id/$query", 422), $query);
        }
        $this->page('/racks/999999/zone?ball=1&pocket=side-left', 404);
    }

    public function testChancesFromAPlaceAndTheWayThere(): void
    {
        $id = $this->stored(['balls' => self::CLUSTER]);
        $from = $this->page("/racks/$id/from?x=2&y=2");
        self::assertMatchesRegularExpression('/\d+ %.*with the 1 gone/s', $from);
        // On another ball there is no room, and no chance.
        self::assertMatchesRegularExpression('/^ ?3 –the cue ball cannot lie there/', (string) strstr($this->page("/racks/$id/from?x=2.55&y=3"), '3 –'));
        self::assertMatchesRegularExpression('/(Yes|Not quite)\. The 1 into the/', $this->page("/racks/$id/reach?x=4&y=2"));
    }

    public function testALegsChanceAndPosition(): void
    {
        $id = $this->stored(['balls' => ['cue' => [2, 2], '1' => [5.5, 1.25], '2' => [6.5, 2.5], '9' => [6, 3.1]], 'legs' => [['ball' => '1', 'pocket' => 'foot-left', 'speed' => ['lengths' => 2]]]]);
        $said = $this->page("/racks/$id/position?leg=1");
        self::assertMatchesRegularExpression('/\d+ % pot/', $said);
        self::assertMatchesRegularExpression('/The cue ball (comes .*|never comes into the) zone of the 2/', $said);
        // Far better players make it more often.
        $chance = static fn(string $page): int => (int) preg_replace('/\D.*/s', '', trim($page));
        $league = $chance($said);
        $this->edit($id, ['op' => 'equip', 'kind' => 'player', 'profile' => 'professional']);
        $professional = $chance(str_replace('> ', '', $this->page("/racks/$id/position?leg=1")));
        self::assertGreaterThan($league, $professional);
    }

    private function page(string $path, int $code = 200): string
    {
        $this->browser->request('GET', $path);
        self::assertSame($code, $this->code(), $path);

        return self::plain((string) $this->browser->getResponse()->getContent());
    }
}
