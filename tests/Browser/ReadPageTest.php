<?php

declare(strict_types=1);

namespace ZigLane\Tests\Browser;

use Facebook\WebDriver\Interactions\WebDriverActions;
use Facebook\WebDriver\WebDriverKeys;

/**
 * Reading a table: which ball is the problem, what a ball offers, and from where.
 */
final class ReadPageTest extends BrowserTestCase
{
    /** The 5 is shut in on the rail between the 8 and the 9. */
    private const SHUT_IN = ['cue' => [1.5, 2], '1' => [4, 1], '3' => [2.5, 3], '5' => [6, 0.09], '8' => [5.819, 0.09], '9' => [6.09, 0.247]];

    public function testThePageAloneSaysWhichBallIsTheProblem(): void
    {
        $this->read(self::SHUT_IN);
        self::assertStringContainsString('The 5 is the problem', $this->text('#verdict'));
        self::assertSame(1, $this->howMany('#ball-5.problem'));
        self::assertSame(1, $this->howMany('.trouble-mark.worst'));
        self::assertStringContainsString('only goes once the 9 has moved', $this->text('#verdict .first'));
        $this->until(fn(): bool => str_contains($this->text('#from'), '%'), 'chances from the cue ball');
        self::assertSame('From the cue ball', $this->text('#from-title'));
        $this->assertNoComplaints();
    }

    public function testABallIsLookedAtWithItsPocketsAndZone(): void
    {
        $this->read(self::SHUT_IN);
        // Under the pointer: its lanes; a moment later its zone.
        (new WebDriverActions($this->web))->moveToElement($this->one('#ball-3'))->perform();
        $this->until(fn(): bool => $this->one('[data-ways="3"] .lane')->isDisplayed(), 'lanes of the 3');
        self::assertFalse($this->one('[data-ways="9"] .lane')->isDisplayed());
        $this->until(fn(): bool => $this->howMany('#zone .hatched') > 0, 'the zone of the 3');
        // A click keeps it; another pocket gives another zone.
        $this->click('#look-3');
        $this->until(fn(): bool => str_contains($this->text('#zone-words'), 'the 3 in the'), 'the zone in words');
        $before = (string) $this->one('#zone .hatched')->getAttribute('d');
        $this->click('#to-foot-left');
        $this->until(fn(): bool => str_contains($this->text('#zone-words'), 'the 3 in the foot left pocket'), 'the zone of the other pocket');
        self::assertNotSame($before, (string) $this->one('#zone .hatched')->getAttribute('d'));
        self::assertStringContainsString('read=3@foot-left', $this->web->getCurrentURL());
        // A higher chance has a smaller zone.
        $area = fn(): float => (float) $this->text('#zone-words');
        $wide = $area();
        $this->one('#zone-chance')->sendKeys('90');
        $this->until(fn(): bool => str_contains($this->text('#zone-words'), '90 %'), 'the zone at 90 %');
        self::assertLessThan($wide, $area());
        $this->assertNoComplaints();
    }

    public function testLayersAreSwitchedAndRemembered(): void
    {
        $this->read(self::SHUT_IN);
        self::assertTrue($this->one('.tick')->isDisplayed());
        $this->click('#layer-ways');
        self::assertFalse($this->one('.tick')->isDisplayed());
        self::assertTrue($this->one('.trouble-mark')->isDisplayed());
        $this->web->navigate()->refresh();
        $this->until(fn(): bool => !$this->one('.tick')->isDisplayed(), 'still off');
        $this->click('#layer-ways');
        self::assertTrue($this->one('.tick')->isDisplayed());
        $this->click('#layer-trouble');
        self::assertFalse($this->one('.trouble-mark')->isDisplayed());
        $this->click('#layer-trouble');
        $this->assertNoComplaints();
    }

    public function testChancesAreReadFromAnyPlaceAndTheWayThereIsAskedFor(): void
    {
        $this->read(self::SHUT_IN);
        $this->drag(3.5, 1.0, 4.5, 1.2);
        $this->until(fn(): bool => str_starts_with($this->text('#from-title'), 'From 4.5'), 'asked from the place');
        $this->until(fn(): bool => str_contains($this->text('#from'), 'with the 1 gone'), 'the ball after too');
        $first = $this->text('#from');
        $this->keys(WebDriverKeys::ARROW_RIGHT, WebDriverKeys::ARROW_RIGHT);
        $this->until(fn(): bool => str_starts_with($this->text('#from-title'), 'From 4.7') && $first !== $this->text('#from'), 'the arrows move it');
        $this->click('#get-there');
        $this->until(fn(): bool => 1 === preg_match('/(Yes|Not quite)\. The 1 into the .* pocket.*stops \d+ cm from there, pot/', $this->text('#reach-words')), 'whether it gets there');
        self::assertSame(1, $this->howMany('#reach .reachway'));
        $this->click('#drop-place');
        $this->until(fn(): bool => 'From the cue ball' === $this->text('#from-title'), 'back to the cue ball');
        $this->assertNoComplaints();
    }

    public function testABallMovedWhileReadingIsReadAnew(): void
    {
        $this->read(self::SHUT_IN);
        $this->drag(6.09, 0.243, 7.0, 2.0);
        $this->until(fn(): bool => !str_contains($this->text('#verdict .first'), 'only goes once the 9 has moved'), 'the 9 is out of the way');
        self::assertStringContainsString('read=', $this->web->getCurrentURL());
        $this->click('#undo-button');
        $this->until(fn(): bool => str_contains($this->text('#verdict'), 'The 5 is the problem'), 'undone, still reading');
        $this->click('#mode-plan');
        $this->until(fn(): bool => $this->howMany('#at-3') > 0, 'back to the layout');
        // The address follows the page by a moment.
        $this->until(fn(): bool => !str_contains($this->web->getCurrentURL(), 'read='), 'the address follows');
        self::assertStringNotContainsString('read=', $this->web->getCurrentURL());
        $this->assertNoComplaints();
    }

    public function testWithTheKeyboardAlone(): void
    {
        $this->read(self::SHUT_IN);
        $this->script('document.activeElement.blur()');
        $this->tabTo('ball-3');
        $this->until(fn(): bool => $this->one('[data-ways="3"] .lane')->isDisplayed(), 'focus shows the lanes');
        $this->keys(WebDriverKeys::ENTER);
        $this->until(fn(): bool => 'true' === $this->one('#look-3')->getAttribute('aria-pressed'), 'Enter looks at it');
        $this->keys('a');
        $this->until(fn(): bool => 'asked' === $this->focused(), 'a asks from a place');
        $this->keys(WebDriverKeys::ARROW_LEFT, WebDriverKeys::ENTER);
        $this->until(fn(): bool => str_contains($this->text('#reach-words'), 'pot'), 'Enter asks for the way');
        $this->keys(WebDriverKeys::ESCAPE);
        $this->until(fn(): bool => 'asked' !== $this->focused(), 'Escape takes the place away');
        $this->keys('v');
        $this->until(fn(): bool => $this->howMany('#read') === 0, 'v goes back');
    }

    public function testAllFourGamesAndALegAreRead(): void
    {
        $this->read(['cue' => [2, 2], '1' => [3, 3], '2' => [5, 1], '8' => [6, 2], '11' => [1, 1]], ['game' => 'eight-ball', 'group' => 'solids']);
        self::assertStringContainsString('not yours', $this->text('[data-row="11"]'));
        self::assertStringContainsString('key', $this->text('#keys'));
        $this->read(['cue' => [2, 2], '1' => [5.2, 2.9], '2' => [7, 1], '14' => [6, 0.5]], ['game' => 'straight-pool']);
        self::assertStringContainsString('break', $this->text('#keys'));
        $this->read(['cue' => [2.0, 1.6], '7' => [1.0, 1.0], '8' => [2.6, 3.0], '10' => [5.0, 3.0]], ['game' => 'ten-ball', 'legs' => [['ball' => '7', 'pocket' => 'head-left', 'speed' => ['lengths' => 1.5]]]]);
        self::assertSame(1, $this->howMany('#ball-7'));
        $this->until(fn(): bool => str_contains($this->text('[data-chance-of="1"]'), '%'), 'the leg has its chance');
        $this->click('#card-1');
        $this->until(fn(): bool => 'Leg 1' === $this->text('#mode-plan'), 'reading where leg 1 begins');
        $this->click('#mode-plan');
        $this->until(fn(): bool => 1 === preg_match('/The cue ball (comes|never).* zone of the 8/', $this->text('#position-words')), 'how it comes to the zone of the 8');
        $this->assertNoComplaints();
    }

    public function testOnAPhoneAndForEveryone(): void
    {
        $this->read(self::SHUT_IN);
        $this->click('#look-3');
        $this->until(fn(): bool => $this->howMany('#zone .hatched') > 0, 'zone');
        $this->assertAccessible('reading');
        $this->screen(390, 844);
        $this->web->navigate()->refresh();
        $this->until(fn(): bool => str_contains((string) $this->one('#table')->getAttribute('class'), 'upright'), 'upright');
        self::assertLessThanOrEqual(390, self::numbers([$this->script('return document.documentElement.scrollWidth')])[0]);
        $small = $this->script('return [...document.querySelectorAll("#main button, #main a, #main select, #main label:has(input[type=checkbox])")].filter(e => e.offsetParent && e.getBoundingClientRect().height < 40 && !e.closest(".select")).map(e => e.outerHTML.slice(0, 80));');
        self::assertSame([], $small, 'targets are at least 40 px high');
        $this->assertNoComplaints();
    }

    /**
     * @param array<string|int, array{float, float}> $balls
     * @param array<string, mixed>                   $more
     */
    private function read(array $balls, array $more = []): void
    {
        $this->import(self::rack($balls, $more));
        $this->click('#mode-read');
        $this->until(fn(): bool => $this->howMany('#verdict') > 0, 'the reading');
    }
}
