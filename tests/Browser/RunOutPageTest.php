<?php

declare(strict_types=1);

namespace ZigLane\Tests\Browser;

use Facebook\WebDriver\Interactions\WebDriverActions;
use Facebook\WebDriver\WebDriverKeys;

/**
 * The run-out planned, read, pinned and taken over at the page, by workers that run beside it.
 */
final class RunOutPageTest extends BrowserTestCase
{
    /** From a rack to a line of legs, by keyboard where there are keys. */
    public function testARackIsPlannedAndTakenOver(): void
    {
        $this->import(self::rack(['cue' => [2.0, 2.0], '1' => [3.2, 1.0], '3' => [5.2, 3.0], '7' => [6.5, 1.2], '9' => [1.5, 3.2]]));
        $this->click('#mode-run');
        $this->until(fn(): bool => $this->howMany('#plan-run') > 0, 'the run-out');
        self::assertSame('Plan the run-out', $this->text('#plan-run'));
        $this->keys('g');
        $this->until(fn(): bool => $this->howMany('#stop-plan') > 0 || $this->howMany('#take-plan') > 0, 'planning');
        $this->settled();
        self::assertMatchesRegularExpression('/^(\d+|< 1) %$/', $this->text('#run-out'));
        $this->until(fn(): bool => $this->howMany('#says li') > 0, 'what it turns on');
        $cards = $this->howMany('#strip .card[class*=lc]');
        self::assertSame(4, $cards);
        self::assertStringContainsString('pot', $this->text('#card-1'));
        // Any one shot: its zone on the table, tip, speed and reasons beside it.
        $this->keys(']');
        $this->until(fn(): bool => $this->howMany('#shot') > 0, 'the first shot');
        self::assertStringContainsString('lengths', $this->text('#shot'));
        self::assertStringContainsString('with position', $this->text('#shot'));
        self::assertSame(1, $this->howMany('.plan-zone .hatched'));
        $this->assertAccessible('a planned shot');
        self::assertGreaterThan(0, $this->howMany('#shot .whys li'));
        $this->keys('k');
        $this->until(fn(): bool => 0 === $this->howMany('#plan') && $this->howMany('#leg-form') > 0, 'taken over');
        self::assertSame($cards, $this->howMany('#strip .card[class*=lc]'));
        self::assertSame('Undo: take the plan over', $this->one('#undo-button')->getAttribute('title'));
        $this->assertNoComplaints();
    }

    /** Against somebody, on a phone: the plan is weighed, and the safety is looked at. */
    public function testGoOrPlaySafe(): void
    {
        $this->screen(390, 844);
        $this->import(self::rack(['cue' => [0.7, 2.0], '1' => [7.85, 2.0], '2' => [1.4, 0.3], '6' => [5.2, 1.2], '7' => [5.4, 1.5], '9' => [3.0, 3.8]]));
        $this->script("const a = document.getElementById('against'); a.value = 'league'; a.form.dispatchEvent(new Event('change', {bubbles: true}))");
        $this->until(fn(): bool => 'Undo: play against the level league' === $this->one('#undo-button')->getAttribute('title'), 'an opponent');
        $this->click('#mode-run');
        $this->until(fn(): bool => $this->howMany('#plan-run') > 0, 'the run-out');
        $this->click('#plan-run');
        $this->settled('#take-safe');
        self::assertMatchesRegularExpression('/Safe: \d+ %( to win the rack)?\. .*Play safe\./', $this->text('#advice'));
        self::assertStringContainsString('it leaves the other player', $this->text('#advice'));
        self::assertMatchesRegularExpression('/^Play safe\s+\d+ % to win the rack$/', $this->text('#strip .terminus'));
        $this->assertAccessible('advice');
        $this->click('#take-safe');
        $this->until(fn(): bool => $this->howMany('#leg-form') > 0, 'the safety as a leg');
        self::assertStringContainsString('safety', $this->text('#card-1'));
        self::assertStringNotContainsString('breaks', $this->text('#card-1'));
        $this->assertNoComplaints();
    }

    /** Where a combination is better than what goes directly, the line goes by it, and is taken over as it stands. */
    public function testALineByACombination(): void
    {
        $this->import(self::rack(['cue' => [1.0, 1.6], '1' => [6.9, 3.1], '9' => [7.6, 3.72]]));
        $this->click('#mode-run');
        $this->until(fn(): bool => $this->howMany('#plan-run') > 0, 'the run-out');
        $this->click('#plan-run');
        $this->settled();
        self::assertStringContainsString('1 into the 9 → foot right', $this->text('#card-1'));
        self::assertStringContainsString('A combination: a direct pot instead would run the rack out in about', $this->text('#says'));
        $this->click('#card-1');
        $this->until(fn(): bool => $this->howMany('#shot') > 0, 'the first shot');
        self::assertStringContainsString('The 1 into the 9', $this->text('#shot'));
        self::assertStringContainsString('combination, the 1 first', $this->text('#shot'));
        $this->click('#take-plan');
        $this->until(fn(): bool => 0 === $this->howMany('#plan') && $this->howMany('#leg-form') > 0, 'taken over');
        self::assertSame(1, $this->howMany('#strip .card[class*=lc]'));
        self::assertStringNotContainsString('breaks', $this->text('#strip'));
        $this->assertNoComplaints();
    }

    /** A pocket pinned and a zone drawn with the pointer; the plan goes round them and the two are compared. */
    public function testPinsAndComparison(): void
    {
        $this->import(self::rack(['cue' => [4.1, 2.2], '2' => [6.4, 1.0], '7' => [2.6, 0.8], '9' => [6.9, 2.6]]));
        $this->click('#mode-run');
        $this->until(fn(): bool => $this->howMany('#plan-run') > 0, 'the run-out');
        $this->click('#plan-run');
        $this->settled();
        $ball = $this->script('return document.querySelectorAll(".pinlist li")[1].querySelector("[data-draw]").dataset.draw');
        self::assertIsString($ball);
        $this->click('#pin-box summary');
        $this->click("[data-draw='$ball']");
        $table = $this->one('#table');
        foreach ([[-150, -80], [150, -80], [150, 80], [-150, 80]] as [$x, $y]) {
            (new WebDriverActions($this->web))->moveToElement($table, $x, $y)->click()->perform();
        }
        $this->web->getKeyboard()->sendKeys(WebDriverKeys::ENTER);
        $this->until(fn(): bool => 4 === preg_match_all('/\d\.\d\d,\d\.\d\d/', $this->value("#pin-zone-$ball")), 'the zone is drawn');
        $this->click('#plan-run');
        $this->until(fn(): bool => $this->howMany('#stop-plan') > 0 && $this->howMany('#card-2') > 0, 'planning again');
        // A shot that is chosen while the plan gets better stays chosen.
        $this->click('#card-2');
        $this->settled();
        self::assertSame('2', $this->one('#workspace')->getAttribute('data-chosen'));
        $this->keys('l');
        $this->until(fn(): bool => $this->howMany('#says li') > 0, 'what it turns on');
        self::assertStringContainsString('What is pinned', $this->text('#says'));
        $this->click('#compare-plans');
        $this->until(fn(): bool => $this->howMany('#plan-table') > 0, 'side by side');
        self::assertSame(3, $this->howMany('#plan-table thead th'));
        $this->assertAccessible('plans side by side');
        $this->assertNoComplaints();
    }

    /** Stopped on the way, what was found stays; on a phone all of it is reachable with a thumb. */
    public function testStoppingOnAPhone(): void
    {
        $this->screen(390, 844);
        $this->fresh('nine-ball', '6');
        $this->click('#plan-run');
        $this->until(fn(): bool => $this->howMany('#card-1') > 0, 'a first line');
        $this->click('#stop-plan');
        $this->settled();
        self::assertMatchesRegularExpression('/(Stopped|Settled) after/', $this->text('#plan-state'));
        self::assertGreaterThan(0, $this->howMany('#card-1'));
        self::assertTrue($this->script('return document.documentElement.scrollWidth <= innerWidth'));
        foreach (['#take-plan', '#plan-run', '#mode-run', '#card-1'] as $target) {
            self::assertGreaterThanOrEqual(40, $this->one($target)->getSize()->getHeight(), $target);
        }
    }

    /** A rack of straight pool that stands: its break shot, where tries of it leave the balls, and the next rack from one of them. */
    public function testTheBreakShotAndTheNextRack(): void
    {
        $this->planTheBreak(1, 'Browser rack');
        self::assertStringContainsString('The rack stands', $this->text('#plan-stopped'));
        $this->click('#to-break');
        $this->until(fn(): bool => $this->howMany('#next-rack') > 0, 'its page');
        self::assertMatchesRegularExpression('/\d+ %\s+drops\s+\d+\s+balls leave/', $this->text('#shot'));
        self::assertGreaterThan(100, $this->howMany('.lie'));
        $this->assertAccessible('the break shot');
        $this->script("document.getElementById('try-number').value = '7'");
        $this->click('#make-next');
        $this->until(fn(): bool => $this->howMany('#plan-run') > 0, 'the next rack');
        self::assertStringContainsString('next rack, try', $this->value('#rack-name'));
        self::assertSame(0, $this->howMany('#ball-1'));
        self::assertGreaterThan(10, $this->howMany('#balls .ball'));
        $this->assertNoComplaints();
    }

    private function fresh(string $game, string $number): void
    {
        $this->web->get(self::url('/'));
        $this->script("const f = document.getElementById('fresh-rack'); f.elements.game.value = '$game'; f.elements.number.value = '$number'; f.requestSubmit();");
        $this->until(fn(): bool => $this->howMany('#plan-run') > 0, 'a fresh rack');
    }

    private function settled(string $mark = '#take-plan'): void
    {
        $give = microtime(true) + 90;
        while (microtime(true) < $give && 0 === $this->howMany($mark)) {
            usleep(200000);
        }
        $this->until(fn(): bool => $this->howMany($mark) > 0, 'settled');
    }
}
