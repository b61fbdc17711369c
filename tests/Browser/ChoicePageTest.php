<?php

declare(strict_types=1);

namespace ZigLane\Tests\Browser;

use Facebook\WebDriver\WebDriverKeys;

/**
 * Look before you leap, by touch on a phone and with the keys.
 */
final class ChoicePageTest extends BrowserTestCase
{
    protected function tearDown(): void
    {
        parent::tearDown();
        $this->onAPhone(false);
        $this->script('localStorage.clear()');
    }

    public function testARackIsChosenAtByTouchAndThePlanIsSeenBesideIt(): void
    {
        $this->onAPhone();
        $this->web->get(self::url('/choices'));
        $this->assertAccessible('look before you leap');
        $this->script('document.querySelector("#wish-who").value = "level:league"; document.querySelector("#wish-balls").value = "2"');
        $this->tapOn('#next-rack');
        $this->until(fn(): bool => 1 === $this->howMany('#choice'), 'a rack', 60);
        $this->until(fn(): bool => str_contains($this->text('#title'), 'into which pocket?'), 'the pocket is asked for');
        $this->assertAccessible('a rack to choose at');
        self::assertStringContainsString('upright', (string) $this->one('#choice-table')->getAttribute('class'));
        // A pocket by touching it, a place by touching the table.
        [$x, $y] = self::numbers($this->script('const r = document.querySelector("[data-pocket=foot-left] .ring").getBoundingClientRect(); return [r.x + r.width / 2, r.y + r.height / 2]'));
        $this->touch($x, $y);
        $this->until(fn(): bool => str_contains($this->text('#title'), 'Where is the cue ball to stop?'), 'the place');
        $this->tapOn('#undo');
        self::assertStringContainsString('into which pocket?', $this->text('#title'));
        $this->touch($x, $y);
        [$x, $y] = self::numbers($this->script('const r = document.querySelector("#choice-table").getBoundingClientRect(); return [r.x + r.width / 2, r.y + r.height / 2]'));
        $this->touch($x, $y);
        $this->until(fn(): bool => str_contains($this->text('#title'), 'tip and pace'), 'the stroke');
        $small = $this->script('return [...document.querySelectorAll("button, a")].filter(b => b.offsetParent && b.getBoundingClientRect().height < 40).map(b => b.textContent.trim())');
        self::assertSame([], (array) $small);
        // Low on the ball.
        [$x, $y, $r] = self::numbers($this->script('const r = document.querySelector("#choice-tip").getBoundingClientRect(); return [r.x + r.width / 2, r.y + r.height / 2, r.height / 2]'));
        $this->touch($x, $y + 0.3 * $r);
        self::assertStringContainsString('6 o’clock', $this->text('#tipsays'));
        $this->tapOn('#answer');
        $this->until(fn(): bool => 1 === $this->howMany('#headline'), 'the plan beside it', 90);
        self::assertMatchesRegularExpression('/plan/', $this->text('#headline'));
        self::assertSame(2, $this->howMany('#planned li'));
        $this->assertAccessible('what it came to');
        $this->assertNoComplaints();
        // It can be gone on with among the racks.
        $this->click('#to-rack');
        // The page that is left has a like title: only the rack's has a workspace.
        $this->until(fn(): bool => 1 === $this->howMany('#workspace'), 'the rack', 25);
        $this->web->get(self::url('/choices'));
        self::assertGreaterThan(0, $this->howMany('#choices-made tbody tr'));
    }

    public function testARackIsChosenAtWithTheKeys(): void
    {
        $this->web->get(self::url('/choices'));
        $this->script('document.querySelector("#wish-who").value = "level:league"; document.querySelector("#wish-balls").value = "2"');
        $this->click('#next-rack');
        $this->until(fn(): bool => 6 === $this->howMany('#picks button'), 'six pockets', 60);
        $this->script('document.querySelector("#picks button:nth-child(5)").focus()');
        $this->keys(WebDriverKeys::ENTER);
        self::assertSame('choice-table', $this->focused());
        $this->keys(WebDriverKeys::ARROW_LEFT, WebDriverKeys::ARROW_LEFT, WebDriverKeys::ARROW_UP);
        self::assertStringContainsString('tip and pace', $this->text('#title'));
        $this->tabTo('choice-tip');
        $this->keys(WebDriverKeys::ARROW_UP, WebDriverKeys::ARROW_UP, WebDriverKeys::ARROW_UP, WebDriverKeys::ARROW_UP);
        self::assertStringContainsString('12 o’clock, ½ tip', $this->text('#tipsays'));
        $this->tabTo('choice-speed');
        $pace = $this->text('#pace');
        $this->keys(WebDriverKeys::ARROW_RIGHT, WebDriverKeys::ARROW_RIGHT, WebDriverKeys::ARROW_RIGHT);
        self::assertNotSame($pace, $this->text('#pace'));
        $this->tabTo('answer');
        $this->assertNoComplaints();
    }
}
