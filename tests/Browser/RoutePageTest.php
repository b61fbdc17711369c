<?php

declare(strict_types=1);

namespace ZigLane\Tests\Browser;

use Facebook\WebDriver\WebDriverKeys;

/**
 * Alternatives for a leg: found, compared, taken over.
 */
final class RoutePageTest extends BrowserTestCase
{
    private const LEG = [['cue' => [5.2, 1.6], '1' => [6.6, 0.9], '2' => [2.4, 3.4], '9' => [1, 1]], ['legs' => [['ball' => '1', 'pocket' => 'foot-left', 'speed' => ['lengths' => 2]]]]];

    public function testRoutesAreFoundComparedAndTakenOver(): void
    {
        $this->leg();
        $this->click('#find-routes');
        $this->until(fn(): bool => $this->howMany('#route-list li[data-route]') > 0, 'first routes');
        $this->until(fn(): bool => str_contains($this->text('#route-state'), 'Settled'), 'settled');
        self::assertGreaterThan(1, $this->howMany('#route-list li[data-route]'));
        self::assertStringContainsString('still leaves the 2', $this->text('#route-list'));
        foreach (['A', 'B'] as $letter) {
            $this->click("[data-compare=$letter]");
        }
        self::assertSame(2, $this->howMany('#alternative-ways .alternative'));
        $words = $this->value('[data-route=A] input[name=lengths]');
        // By one key.
        $this->script('document.getElementById("route-A").focus()');
        $this->keys(WebDriverKeys::ENTER);
        $this->until(fn(): bool => (float) $this->value('#lengths') === round((float) $words / 0.05) * 0.05 || abs((float) $this->value('#lengths') - (float) $words) < 0.026, 'the leg has its speed');
        $this->until(fn(): bool => str_contains((string) $this->one('#undo-button')->getAttribute('title'), 'change leg 1'), 'it can be undone');
        self::assertSame(1, $this->howMany('#strip .card.holds'));
        $this->assertNoComplaints();
    }

    public function testASearchIsStopped(): void
    {
        $this->leg();
        $this->keys('f');
        $this->until(fn(): bool => $this->howMany('#route-list li[data-route]') > 0, 'first routes');
        $this->script('document.getElementById("stop-routes").click()');
        $this->until(fn(): bool => !$this->one('#stop-routes')->isDisplayed() && 1 === preg_match('/Stopped|Settled/', $this->text('#route-state')), 'stopped');
        self::assertGreaterThan(0, $this->howMany('#route-list li[data-route]'), 'what was found stays');
        $this->assertNoComplaints();
    }

    public function testAPlaceOfTheSpreadIsTakenOver(): void
    {
        $this->leg();
        $this->click('#show-spread');
        $this->until(fn(): bool => $this->howMany('#spread .place') > 60, 'the spread');
        $side = $this->script('const p = [...document.querySelectorAll("#spread .place")].find(p => p.dataset.side === "0.2" && p.dataset.height === "0.25"); p.dispatchEvent(new MouseEvent("click", { bubbles: true })); return p.dataset.side;');
        self::assertSame('0.2', $side);
        $this->until(fn(): bool => '0.2' === $this->value('#tip-side') && '0.25' === $this->value('#tip-height'), 'its tip is the leg’s');
        $this->assertNoComplaints();
    }

    public function testStylesAreRememberedAndThePagesAreAccessible(): void
    {
        $this->leg();
        $this->click('.styles summary');
        $this->click('#style-cushions');
        $this->web->navigate()->refresh();
        $this->until(fn(): bool => true === $this->script('return document.getElementById("style-cushions").checked'), 'remembered');
        $this->click('#find-routes');
        $this->until(fn(): bool => str_contains($this->text('#route-state'), 'Settled'), 'settled');
        $this->assertAccessible('routes');
        $this->script('localStorage.removeItem("style")');
        $this->click('#aim-card');
        $this->until(fn(): bool => $this->howMany('#card') > 0, 'the aim card');
        $this->assertAccessible('aim card');
        $this->assertNoComplaints();
    }

    private function leg(): void
    {
        $this->import(self::rack(...self::LEG));
        $this->click('#card-1');
        $this->until(fn(): bool => $this->howMany('#find-routes') > 0, 'the leg');
    }
}
