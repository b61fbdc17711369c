<?php

declare(strict_types=1);

namespace ZigLane\Tests\App;

use ZigLane\App\Paces;
use ZigLane\App\Settings;
use ZigLane\Core\Wording\SpeedScale;

/**
 * The club's own names of paces.
 */
final class PacesTest extends AppTestCase
{
    public function testOwnNamesStandOnDrillsAndSheets(): void
    {
        $page = $this->page('/paces');
        self::assertMatchesRegularExpression('~lag2[0-9.]+ m/s[0-9.]+ sas in the house~', $page);
        $this->keep([['Streicheln', '0.5'], ['Rollen', '1,5'], ['Jagen', '4'], ['', '']]);
        self::assertSame(303, $this->code());
        self::assertSame(['Streicheln' => 0.5, 'Rollen' => 1.5, 'Jagen' => 4.0], self::service(Paces::class)->scale()->names);
        $go = (string) $this->get('/drills/eight-bays/go?mode=training');
        self::assertMatchesRegularExpression('/Pace: (Streicheln|Rollen|Jagen), /', $go);
        self::assertMatchesRegularExpression('/(Streicheln|Rollen|Jagen), [0-9.]+ lengths/', $this->page('/drills/eight-bays/sheet'));
        self::assertStringContainsString('The usual ones again', $this->page('/paces'));
        $this->browser->request('POST', '/paces', ['usual' => '1']);
        self::assertSame(SpeedScale::USUAL, self::service(Paces::class)->scale()->names);
    }

    public function testWhatIsWrongIsSaidAndWhatWasTypedStays(): void
    {
        foreach ([
            '"b" at 1 lengths' => [['a', '2'], ['b', '1'], ['c', '3']],
            '"a" stands there twice' => [['a', '1'], ['a', '2'], ['c', '3']],
            '"b" has no lengths' => [['a', '1'], ['b', 'x'], ['c', '3']],
            'There is no pace' => [['', '']],
        ] as $says => $rows) {
            $this->keep($rows);
            self::assertSame(422, $this->code());
            self::assertStringContainsString($says, self::plain((string) $this->browser->getResponse()->getContent()));
        }
        self::assertSame(SpeedScale::USUAL, self::service(Paces::class)->scale()->names);
        $this->keep([['Zart', '2'], ['b', '1'], ['c', '3']]);
        self::assertStringContainsString('value="Zart"', (string) $this->browser->getResponse()->getContent());
        // What is stored and cannot be read gives way to the usual ones.
        self::service(Settings::class)->write('paces', 'lag');
        $this->page('/paces?table=999');
        self::assertSame(SpeedScale::USUAL, self::service(Paces::class)->scale()->names);
    }

    /** @param list<array{string, string}> $rows */
    private function keep(array $rows): void
    {
        $this->browser->request('POST', '/paces', ['pace' => array_map(static fn(array $row): array => ['name' => $row[0], 'lengths' => $row[1]], $rows)]);
    }

    private function get(string $address): string|false
    {
        $this->browser->request('GET', $address);
        self::assertSame(200, $this->code(), $address);

        return $this->browser->getResponse()->getContent();
    }

    private function page(string $address): string
    {
        return self::plain((string) $this->get($address));
    }
}
